import { useState } from "react";
import { type Change, type Entity, entitiesOf, STORE_ID } from "../../../core/plan/entities.ts";
import { movedEntities } from "../../../core/plan/moved-entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { usersOf } from "../../../core/plan/users-of.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import type { Order } from "../../fields/order-buttons.tsx";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { say } from "../../language/say.ts";
import { namesOf } from "../../names/entity-words.ts";
import { placeNamer } from "../../names/place-names.ts";
import { openField } from "../../state/open-field.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { useRegionNames } from "../../state/use-region-names.ts";
import { useSelected } from "../../state/use-selected.ts";
import { CoverageView } from "./coverage-view.tsx";
import { LocationEditor } from "./location-editor.tsx";
import { MarketEditor } from "./market-editor.tsx";
import { newLocation, newMarket, newZone } from "./new-place.ts";
import { type PlaceKind, PlaceList, STORE } from "./place-list.tsx";
import { StoreEditor } from "./store-editor.tsx";
import { TryAddress } from "./try-address.tsx";
import { ZoneEditor } from "./zone-editor.tsx";
import type { ZonePattern } from "./zone-patterns.ts";

/** @example zoneIn("zone/madeira") // "madeira" */
const zoneIn = (selected: string): string | null => /^zone\/(.+)$/.exec(selected)?.[1] ?? null;

/** Markets with their zones, and locations; the selected one beside them; who serves where below. */
export function PlacesView() {
  const state = useDraft();
  const { zones: here } = useStandpoint();
  const { plan, compiled } = state;
  const [chosen, select] = useSelected("places");
  const [problem, setProblem] = useState<string | null>(null);
  const nameOf = placeNamer(useRegionNames(countriesIn(plan)));
  if (!plan) return null;

  const selected = keyOf(chosen ?? here[0] ?? [...plan.zones].sort(byPosition)[0]?.id ?? "");
  const add = (kind: PlaceKind, market = "", like?: ZonePattern) => {
    setProblem(null);
    const added = addedTo(plan, kind, market, like);
    draftStore.commit(added);
    openField({ kind, id: added.id });
  };
  const remove = (kind: PlaceKind, id: string) => {
    const users = usersOf(plan, kind, id);
    setProblem(users.length > 0 ? say("Still used by {names}. Change these first.", { names: namesOf(users) }) : null);
    if (users.length === 0) draftStore.commit({ kind, id, body: null });
  };
  return (
    <div>
      <SectionHeading className="sr-only">{say("Places")}</SectionHeading>
      <div className="grid grid-cols-[minmax(200px,260px)_minmax(0,1fr)] gap-5 max-[1000px]:grid-cols-1">
        <PlaceList plan={plan} selected={selected} nameOf={nameOf} onSelect={select} onAdd={add} />
        <div className="min-w-0">
          {problem && (
            <p role="alert" className="mb-2 text-warning">
              {problem}
            </p>
          )}
          <SelectedPlace key={selected} plan={plan} selected={selected} nameOf={nameOf} onRemove={remove} />
          {plan.markets.length === 0 && (
            <p className="border border-base-300 bg-base-100 p-6 text-quiet">
              {say(
                "Nothing is sold anywhere yet. Add a market on the left: a territory with its currency and language. Then give it zones, and the zones their countries.",
              )}
            </p>
          )}
          {compiled && <TryAddress compiled={compiled} />}
        </div>
      </div>
      <CoverageView plan={plan} nameOf={nameOf} chosen={zoneIn(selected)} onZone={(id) => select(`zone/${id}`)} />
    </div>
  );
}

/** Where a market, zone or location stands among its kind (zones: of their market), and the moves that it can make. */
function orderOf(plan: Plan, kind: PlaceKind, id: string): Order {
  const market = plan.zones.find((zone) => zone.id === id)?.market;
  const isBeside = ({ body }: Entity) => kind !== "zone" || ("market" in body && body.market === market);
  const list = entitiesOf(plan).flatMap((entity) =>
    entity.kind === kind && isBeside(entity) && "position" in entity.body ? [entity.body] : [],
  );
  return {
    place: list.sort(byPosition).findIndex((one) => one.id === id),
    of: list.length,
    onMove: (to) => draftStore.commit(...movedEntities(plan, kind, id, to, isBeside)),
  };
}

type SelectedProps = {
  plan: Plan;
  selected: string;
  nameOf: (code: string) => string;
  onRemove: (kind: PlaceKind, id: string) => void;
};

/** The editor of the market, zone or location that is selected. */
function SelectedPlace({ plan, selected, nameOf, onRemove }: SelectedProps) {
  const zone = plan.zones.find(({ id }) => selected === `zone/${id}`);
  const market = plan.markets.find(({ id }) => selected === `market/${id}`);
  const location = plan.locations?.find(({ id }) => selected === `location/${id}`);
  if (selected === STORE) return <StoreEditor plan={plan} />;
  if (zone)
    return (
      <ZoneEditor
        plan={plan}
        zone={zone}
        nameOf={nameOf}
        onZones={(...bodies) =>
          draftStore.commit(...bodies.map((body) => ({ kind: "zone" as const, id: body.id, body })))
        }
        order={orderOf(plan, "zone", zone.id)}
        onRemove={() => onRemove("zone", zone.id)}
      />
    );
  if (market)
    return (
      <MarketEditor
        market={market}
        onMarket={(body) => draftStore.commit({ kind: "market", id: body.id, body })}
        order={orderOf(plan, "market", market.id)}
        onRemove={() => onRemove("market", market.id)}
      />
    );
  if (location)
    return (
      <LocationEditor
        plan={plan}
        location={location}
        onLocation={(body) => draftStore.commit({ kind: "location", id: body.id, body })}
        onShipsFrom={() => {
          const { shipsFrom, ...store } = plan.store;
          const body = shipsFrom === location.id ? store : { ...store, shipsFrom: location.id };
          draftStore.commit({ kind: "store", id: STORE_ID, body });
        }}
        order={orderOf(plan, "location", location.id)}
        onRemove={() => onRemove("location", location.id)}
      />
    );
  return null;
}

/** Zones are named without their kind too. @example keyOf("azores") // "zone/azores" */
const keyOf = (selected: string) => (selected.includes("/") ? selected : `zone/${selected}`);

function addedTo(plan: Plan, kind: PlaceKind, market: string, like?: ZonePattern): Change {
  switch (kind) {
    case "market": {
      const body = newMarket(plan);
      return { kind, id: body.id, body };
    }
    case "zone": {
      const plain = newZone(plan, market);
      const body = like ? { ...plain, name: like.name.slice(0, 100), destinations: like.destinations } : plain;
      return { kind, id: body.id, body };
    }
    case "location": {
      const body = newLocation(plan);
      return { kind, id: body.id, body };
    }
  }
}

/** Countries of which the plan has more to say than their name. */
function countriesIn(plan: Plan | null): string[] {
  const destinations = plan?.zones.flatMap((zone) => zone.destinations) ?? [];
  return [...new Set(destinations.flatMap((one) => ("country" in one ? one.country : [])))];
}
