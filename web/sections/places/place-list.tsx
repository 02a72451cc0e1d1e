import type { Zone } from "../../../core/places/market.ts";
import { destinationWords } from "../../../core/places/words.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { PatternList } from "../../fields/pattern-list.tsx";
import { Popover } from "../../fields/popover.tsx";
import { say } from "../../language/say.ts";
import { type ZonePattern, zonePatterns } from "./zone-patterns.ts";

/** What can be selected among the places. */
export type PlaceKind = "market" | "zone" | "location";

/** The store's own settings, in the address and the list. */
export const STORE = "store/settings";

type Props = {
  plan: Plan;
  /** The one that is shown, as "zone/azores". */
  selected: string;
  nameOf: (code: string) => string;
  onSelect: (key: string) => void;
  /** @param market that a zone is added to */
  onAdd: (kind: PlaceKind, market?: string, like?: ZonePattern) => void;
};

/** Markets with their zones, and locations. */
export function PlaceList({ plan, selected, nameOf, onSelect, onAdd }: Props) {
  const zones = [...plan.zones].sort(byPosition);
  const locations = [...(plan.locations ?? [])].sort(byPosition);
  const item = { selected, onSelect };
  return (
    <nav aria-label={say("Store, markets, zones and locations")}>
      <ul className="mb-3">
        <Item {...item} at={STORE} name={plan.store.name} words={say("The store: its name, what is chosen at first")} />
      </ul>
      {[...plan.markets].sort(byPosition).map((market) => (
        <section key={market.id} className="mb-3">
          <button
            type="button"
            aria-current={selected === `market/${market.id}` || undefined}
            className="min-h-7 w-full cursor-pointer border-b border-base-300 text-left text-[13px] text-quiet aria-[current]:text-base-content"
            onClick={() => onSelect(`market/${market.id}`)}
          >
            <strong className="text-base-content">{market.name}</strong> · {market.currencies.join(", ")}
          </button>
          <ul>
            {zones
              .filter((zone) => zone.market === market.id)
              .map((zone) => (
                <Item
                  key={zone.id}
                  {...item}
                  at={`zone/${zone.id}`}
                  name={zone.name}
                  words={placesWords(zone, nameOf)}
                  isOff={zone.on === false}
                />
              ))}
          </ul>
          <button type="button" className="btn btn-ghost btn-xs mt-1" onClick={() => onAdd("zone", market.id)}>
            {say("Add a zone")}
            <span className="sr-only"> {say("to {name}", { name: market.name })}</span>
          </button>
          <Popover
            label={say("Zones from a pattern for {name}", { name: market.name })}
            shown={say("From a pattern")}
            look="button"
          >
            <CommonZones
              plan={plan}
              market={market.id}
              nameOf={nameOf}
              onTake={(pattern) => onAdd("zone", market.id, pattern)}
            />
          </Popover>
        </section>
      ))}
      <button type="button" className="btn btn-sm" onClick={() => onAdd("market")}>
        {say("Add a market")}
      </button>
      <section className="mt-4">
        <h2 className="border-b border-base-300 pb-1 text-[13px] font-bold">{say("Locations")}</h2>
        <ul>
          {locations.map(({ id, name, postcode, country }) => (
            <Item
              key={id}
              {...item}
              at={`location/${id}`}
              name={name.en ?? id}
              words={[postcode, nameOf(country)].filter(Boolean).join(", ")}
            />
          ))}
        </ul>
        <button type="button" className="btn btn-sm mt-2" onClick={() => onAdd("location")}>
          {say("Add a location")}
        </button>
      </section>
    </nav>
  );
}

type CommonProps = Pick<Props, "plan" | "nameOf"> & { market: string; onTake: (pattern: ZonePattern) => void };

/** Zones that are often wanted and not there yet, with the places that each would claim. Looked for when it is opened. */
function CommonZones({ plan, market, nameOf, onTake }: CommonProps) {
  return (
    <PatternList
      label={say("Common zones")}
      patterns={zonePatterns(plan, market, nameOf).map((pattern) => ({
        id: pattern.id,
        name: pattern.name,
        says: [pattern.destinations.map((one) => say(destinationWords(one, nameOf))).join("; ")],
        onTake: () => onTake(pattern),
      }))}
    />
  );
}

type ItemProps = Pick<Props, "selected" | "onSelect"> & { at: string; name: string; words: string; isOff?: boolean };

const Item = ({ selected, onSelect, at, name, words, isOff = false }: ItemProps) => (
  <li>
    <button
      type="button"
      aria-current={selected === at || undefined}
      className="w-full cursor-pointer border-b border-base-300 py-1.5 pr-2 pl-2 text-left aria-[current]:bg-base-100"
      onClick={() => onSelect(at)}
    >
      <span className={`font-semibold ${isOff ? "text-quiet line-through" : ""}`}>{name}</span>
      <span className="block truncate text-[13px] text-quiet">{words}</span>
    </button>
  </li>
);

const placesWords = ({ destinations }: Zone, nameOf: (code: string) => string): string =>
  destinations.length === 0
    ? say("no place yet")
    : destinations.map((one) => say(destinationWords(one, nameOf))).join("; ");
