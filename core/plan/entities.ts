import type { SavedCondition } from "../conditions/condition.ts";
import type { DeliveryOption } from "../delivery/option.ts";
import type { RateTable } from "../money/rates.ts";
import type { Offer } from "../offers/offer.ts";
import type { Location } from "../places/location.ts";
import type { Market, Zone } from "../places/market.ts";
import { FORMAT, type Plan, type Store } from "./plan.ts";

/** One thing of the draft. The store's settings are the entity of kind `store` with id `store`. */
export type Entity =
  | { kind: "store"; id: string; body: Store }
  | { kind: "market"; id: string; body: Market }
  | { kind: "zone"; id: string; body: Zone }
  | { kind: "option"; id: string; body: DeliveryOption }
  | { kind: "offer"; id: string; body: Offer }
  | { kind: "location"; id: string; body: Location }
  | { kind: "rates"; id: string; body: RateTable }
  | { kind: "condition"; id: string; body: SavedCondition };

/** An entity as it shall be; without a body it shall be gone. */
export type Change = Entity | { kind: Entity["kind"]; id: string; body: null };

export type EntityKind = Entity["kind"];

/** The lists of a plan, and the kind of entity in each. */
export const LISTS = {
  markets: "market",
  zones: "zone",
  options: "option",
  offers: "offer",
  locations: "location",
  rates: "rates",
  conditions: "condition",
} as const satisfies Record<string, EntityKind>;
export type List = keyof typeof LISTS;
export const isList = (key: string): key is List => Object.hasOwn(LISTS, key);

/** Where an entity stands in a plan, as a JSON pointer. @example planPath(plan, offer) // "/offers/2" */
export function planPath(plan: Plan, { kind, id }: { kind: EntityKind; id: string }): string {
  for (const list of Object.keys(LISTS))
    if (isList(list) && LISTS[list] === kind) return `/${list}/${(plan[list] ?? []).findIndex((one) => one.id === id)}`;
  return `/${kind}`;
}
export type StoredEntity = Entity & { revision: number };
export const STORE_ID = "store";

export const entityKey = ({ kind, id }: { kind: EntityKind; id: string }) => `${kind}/${id}`;

/** A plan taken apart into entities, and entities put together into a plan. */
export function entitiesOf(plan: Plan): Entity[] {
  return [
    { kind: "store", id: STORE_ID, body: plan.store },
    ...plan.markets.map((body): Entity => ({ kind: "market", id: body.id, body })),
    ...plan.zones.map((body): Entity => ({ kind: "zone", id: body.id, body })),
    ...plan.options.map((body): Entity => ({ kind: "option", id: body.id, body })),
    ...plan.offers.map((body): Entity => ({ kind: "offer", id: body.id, body })),
    ...(plan.locations ?? []).map((body): Entity => ({ kind: "location", id: body.id, body })),
    ...(plan.conditions ?? []).map((body): Entity => ({ kind: "condition", id: body.id, body })),
    ...(plan.rates ?? []).map((body): Entity => ({ kind: "rates", id: body.id, body })),
  ];
}

export function planOf(entities: readonly Entity[]): Plan | null {
  const store = entities.find((entity) => entity.kind === "store");
  if (!store) return null;
  const locations = entities.flatMap((entity) => (entity.kind === "location" ? [entity.body] : []));
  const conditions = entities.flatMap((entity) => (entity.kind === "condition" ? [entity.body] : []));
  const rates = entities.flatMap((entity) => (entity.kind === "rates" ? [entity.body] : []));
  return {
    format: FORMAT,
    store: store.body,
    markets: entities.flatMap((entity) => (entity.kind === "market" ? [entity.body] : [])),
    zones: entities.flatMap((entity) => (entity.kind === "zone" ? [entity.body] : [])),
    options: entities.flatMap((entity) => (entity.kind === "option" ? [entity.body] : [])),
    offers: entities.flatMap((entity) => (entity.kind === "offer" ? [entity.body] : [])),
    ...(locations.length > 0 ? { locations } : {}),
    ...(conditions.length > 0 ? { conditions } : {}),
    ...(rates.length > 0 ? { rates } : {}),
  };
}
