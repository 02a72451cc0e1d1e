import { useState } from "react";
import type { Location } from "../../../core/places/location.ts";
import type { Market, Zone } from "../../../core/places/market.ts";
import { destinationWords } from "../../../core/places/words.ts";
import { STORE_ID } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { freeId, lastPosition } from "../../../core/schema/positions.ts";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { placeNamer } from "../../names/place-names.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { useRegionNames } from "../../state/use-regions.ts";
import { useSelected } from "../../state/use-selected.ts";
import { CoverageView } from "./coverage-view.tsx";
import { LocationEditor } from "./location-editor.tsx";
import { MarketEditor } from "./market-editor.tsx";
import { TryAddress } from "./try-address.tsx";
import { ZoneEditor } from "./zone-editor.tsx";

/** Markets with their zones, and locations; the selected one beside them; who serves where below. */
export function PlacesView() {
  const state = useDraft();
  const { zones: here } = useStandpoint();
  const { plan, compiled } = state;
  const [selected, select] = useSelected("places");
  const [problem, setProblem] = useState<string | null>(null);
  const nameOf = placeNamer(useRegionNames(countriesIn(plan)));
  if (!plan) return state.loadError ? null : <p className="text-quiet">Loading the plan…</p>;

  const markets = [...plan.markets].sort(byPosition);
  const zones = [...plan.zones].sort(byPosition);
  const locations = [...(plan.locations ?? [])].sort(byPosition);
  const wanted = selected ?? `zone/${here[0] ?? zones[0]?.id ?? ""}`;
  const [kind, id = ""] = wanted.includes("/") ? wanted.split("/") : ["zone", wanted];
  const zone = kind === "zone" ? zones.find((one) => one.id === id) : undefined;
  const market = kind === "market" ? markets.find((one) => one.id === id) : undefined;
  const location = kind === "location" ? locations.find((one) => one.id === id) : undefined;

  const add = (what: "market" | "zone" | "location", marketId?: string) => {
    setProblem(null);
    if (what === "market") {
      const body = newMarket(plan);
      draftStore.commit({ kind: "market", id: body.id, body });
      select(`market/${body.id}`);
    } else if (what === "zone" && marketId !== undefined) {
      const body = newZone(plan, marketId);
      draftStore.commit({ kind: "zone", id: body.id, body });
      select(`zone/${body.id}`);
    } else {
      const body = newLocation(plan);
      draftStore.commit({ kind: "location", id: body.id, body });
      select(`location/${body.id}`);
    }
  };
  const remove = (what: "market" | "zone" | "location", gone: string) => {
    const users = usersOf(plan, what, gone);
    setProblem(users.length > 0 ? `Still used by ${users.slice(0, 4).join(", ")}. Change these first.` : null);
    if (users.length === 0) draftStore.commit({ kind: what, id: gone, body: null });
  };
  const item = (key: string, name: string, words: string, off = false) => (
    <li key={key}>
      <button
        type="button"
        aria-current={wanted === key || undefined}
        className="w-full cursor-pointer border-b border-base-300 py-1.5 pr-2 pl-2 text-left aria-[current]:bg-base-100"
        onClick={() => select(key)}
      >
        <span className={`font-semibold ${off ? "text-quiet line-through" : ""}`}>{name}</span>
        <span className="block truncate text-[13px] text-quiet">{words}</span>
      </button>
    </li>
  );

  return (
    <div>
      <SectionHeading className="sr-only">Places</SectionHeading>
      <div className="grid grid-cols-[minmax(200px,260px)_minmax(0,1fr)] gap-5 max-[1000px]:grid-cols-1">
        <nav aria-label="Markets, zones and locations">
          {markets.map((one) => (
            <section key={one.id} className="mb-3">
              <button
                type="button"
                aria-current={wanted === `market/${one.id}` || undefined}
                className="min-h-7 w-full cursor-pointer border-b border-base-300 text-left text-[13px] text-quiet aria-[current]:text-base-content"
                onClick={() => select(`market/${one.id}`)}
              >
                <strong className="text-base-content">{one.name}</strong> · {one.currencies.join(", ")}
              </button>
              <ul>
                {zones
                  .filter((candidate) => candidate.market === one.id)
                  .map((candidate) =>
                    item(
                      `zone/${candidate.id}`,
                      candidate.name,
                      placesWords(candidate, nameOf),
                      candidate.on === false,
                    ),
                  )}
              </ul>
              <button type="button" className="btn btn-ghost btn-xs mt-1" onClick={() => add("zone", one.id)}>
                Add a zone<span className="sr-only"> to {one.name}</span>
              </button>
            </section>
          ))}
          <button type="button" className="btn btn-sm" onClick={() => add("market")}>
            Add a market
          </button>
          <section className="mt-4">
            <h2 className="border-b border-base-300 pb-1 text-[13px] font-bold">Locations</h2>
            <ul>
              {locations.map((one) =>
                item(
                  `location/${one.id}`,
                  one.name.en ?? one.id,
                  [one.postcode, nameOf(one.country)].filter(Boolean).join(", "),
                ),
              )}
            </ul>
            <button type="button" className="btn btn-sm mt-2" onClick={() => add("location")}>
              Add a location
            </button>
          </section>
        </nav>
        <div className="min-w-0">
          {problem && (
            <p role="alert" className="mb-2 text-warning">
              {problem}
            </p>
          )}
          {zone && (
            <ZoneEditor
              key={zone.id}
              plan={plan}
              zone={zone}
              nameOf={nameOf}
              onZones={(...bodies) =>
                draftStore.commit(...bodies.map((body) => ({ kind: "zone" as const, id: body.id, body })))
              }
              onRemove={() => remove("zone", zone.id)}
            />
          )}
          {market && (
            <MarketEditor
              key={market.id}
              market={market}
              onMarket={(body) => draftStore.commit({ kind: "market", id: body.id, body })}
              onRemove={() => remove("market", market.id)}
            />
          )}
          {location && (
            <LocationEditor
              key={location.id}
              plan={plan}
              location={location}
              onLocation={(body) => draftStore.commit({ kind: "location", id: body.id, body })}
              onShipsFrom={() => {
                const { shipsFrom, ...store } = plan.store;
                const body = shipsFrom === location.id ? store : { ...store, shipsFrom: location.id };
                draftStore.commit({ kind: "store", id: STORE_ID, body });
              }}
              onRemove={() => remove("location", location.id)}
            />
          )}
          {markets.length === 0 && (
            <p className="border border-base-300 bg-base-100 p-6 text-quiet">
              Nothing is sold anywhere yet. Add a market on the left: a territory with its currency and language. Then
              give it zones, and the zones their countries.
            </p>
          )}
          {compiled && <TryAddress compiled={compiled} />}
          <CoverageView plan={plan} nameOf={nameOf} onZone={(one) => select(`zone/${one}`)} />
        </div>
      </div>
    </div>
  );
}

const placesWords = ({ destinations }: Zone, nameOf: (code: string) => string): string =>
  destinations.length === 0 ? "no place yet" : destinations.map((one) => destinationWords(one, nameOf)).join("; ");

function newMarket(plan: Plan): Market {
  const id = freeId(
    "market",
    plan.markets.map((one) => one.id),
  );
  return {
    id,
    position: lastPosition(plan.markets),
    name: "New market",
    currencies: ["EUR"],
    languages: ["en"],
    timeZone: "Europe/Lisbon",
    pricesIncludeTax: true,
  };
}

function newZone(plan: Plan, market: string): Zone {
  const id = freeId(
    "zone",
    plan.zones.map((one) => one.id),
  );
  return { id, position: lastPosition(plan.zones), market, name: "New zone", destinations: [], standardTaxRate: "0" };
}

function newLocation(plan: Plan): Location {
  const locations = plan.locations ?? [];
  const id = freeId(
    "location",
    locations.map((one) => one.id),
  );
  return {
    id,
    position: lastPosition(locations),
    name: { en: "New location" },
    at: [0, 0],
    country: "PT",
    timeZone: plan.markets[0]?.timeZone ?? "UTC",
    openingHours: [{ days: [1, 2, 3, 4, 5], from: "09:00", until: "18:00" }],
  };
}

/** What would break if something went. */
/** Countries of which the plan has more to say than their name. */
function countriesIn(plan: Plan | null): string[] {
  const destinations = plan?.zones.flatMap((zone) => zone.destinations) ?? [];
  return [...new Set(destinations.flatMap((one) => ("country" in one ? one.country : [])))];
}

function usersOf(plan: Plan, kind: "market" | "zone" | "location", id: string): string[] {
  switch (kind) {
    case "market":
      return plan.zones.filter(({ market }) => market === id).map(({ name }) => `zone ${name}`);
    case "zone":
      return [
        ...plan.options
          .filter(({ zones }) => zones.includes(id))
          .map(({ name, id: option }) => `option ${name.en ?? option}`),
        ...plan.offers.filter(({ zones }) => zones.includes(id)).map(({ name }) => `offer ${name}`),
      ];
    case "location": {
      const text = JSON.stringify(id);
      const uses = (body: unknown) => JSON.stringify(body).includes(text);
      return [
        ...(plan.store.shipsFrom === id ? ["the store's ship-from address"] : []),
        ...plan.options
          .filter(({ way, promise, charge }) => uses({ way, promise, charge }))
          .map(({ name, id: option }) => `option ${name.en ?? option}`),
        ...(plan.conditions ?? []).filter(({ when }) => uses(when)).map(({ name }) => `condition “${name}”`),
      ];
    }
  }
}
