import { SavedCondition } from "../conditions/condition.ts";
import { DeliveryOption } from "../delivery/option.ts";
import { RateTable } from "../money/rates.ts";
import { Notice } from "../offers/notice.ts";
import { Offer } from "../offers/offer.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import { Location } from "../places/location.ts";
import { Market, Zone } from "../places/market.ts";
import type { Static, TSchema } from "../schema/type.ts";
import { FORMAT, type Plan, Store } from "./plan.ts";

/**
 * The kinds of things a draft is made of: the form of each, and the list of a plan that it stands in. A new kind is a row here;
 * whatever has to know all kinds is made from this table, or does not compile without the new one.
 */
export const ENTITY_KINDS = {
  store: { list: null, schema: Store, words: phrase("the store") },
  market: { list: "markets", schema: Market, words: phrase("market") },
  zone: { list: "zones", schema: Zone, words: phrase("zone") },
  option: { list: "options", schema: DeliveryOption, words: phrase("delivery option") },
  offer: { list: "offers", schema: Offer, words: phrase("offer") },
  location: { list: "locations", schema: Location, words: phrase("location") },
  notice: { list: "notices", schema: Notice, words: phrase("notice") },
  condition: { list: "conditions", schema: SavedCondition, words: phrase("saved condition") },
  rates: { list: "rates", schema: RateTable, words: phrase("rate table") },
} as const satisfies Record<string, { list: keyof Plan | null; schema: TSchema; words: Phrase }>;

type Kinds = typeof ENTITY_KINDS;
export type EntityKind = keyof Kinds;
type Body<Kind extends EntityKind> = Static<Kinds[Kind]["schema"]>;

/** The name of a plan's list of entities. */
export type List = NonNullable<Kinds[EntityKind]["list"]>;
type KindIn<Name extends List> = { [Kind in EntityKind]: Kinds[Kind]["list"] extends Name ? Kind : never }[EntityKind];

/** One thing of the draft. The store's settings are the entity of kind `store` with id `store`. */
export type Entity = { [Kind in EntityKind]: { kind: Kind; id: string; body: Body<Kind> } }[EntityKind];

/** An entity as it shall be; without a body it shall be gone. */
export type Change = Entity | { kind: EntityKind; id: string; body: null };

export type StoredEntity = Entity & { revision: number };
export const STORE_ID = "store";

const LIST_NAMES: ReadonlyMap<string, EntityKind> = new Map(
  entityKinds().flatMap((kind): [string, EntityKind][] => {
    const { list } = ENTITY_KINDS[kind];
    return list === null ? [] : [[list, kind]];
  }),
);

/** Every kind, in the order in which a plan is written. */
export function entityKinds(): EntityKind[] {
  return Object.keys(ENTITY_KINDS).filter(isEntityKind);
}

function isEntityKind(kind: string): kind is EntityKind {
  return Object.hasOwn(ENTITY_KINDS, kind);
}

/** The kind of entity in a list of a plan. @example kindIn("offers") // "offer" */
export const kindIn = (list: string): EntityKind | undefined => LIST_NAMES.get(list);

/** The lists of a plan by name, with the kind of entity in each. */
export const planLists = (): readonly (readonly [string, EntityKind])[] => [...LIST_NAMES];

export const entityKey = ({ kind, id }: { kind: EntityKind; id: string }) => `${kind}/${id}`;

/** Where an entity stands in a plan, as a JSON pointer. @example planPath(plan, offer) // "/offers/2" */
export function planPath(plan: Plan, { kind, id }: { kind: EntityKind; id: string }): string {
  const { list } = ENTITY_KINDS[kind];
  return list === null ? `/${kind}` : `/${list}/${(plan[list] ?? []).findIndex((one) => one.id === id)}`;
}

/**
 * The entity that a JSON pointer into a plan leads into, and the rest of the way.
 *
 * @example entityAt(plan, "/offers/2/name") // { entity: …, rest: "/name" }
 */
export function entityAt(plan: Plan, path: string): { entity: Entity; rest: string } | undefined {
  const [, ofStore] = /^\/store(\/.*|$)/.exec(path) ?? [];
  if (ofStore !== undefined) return { entity: { kind: "store", id: STORE_ID, body: plan.store }, rest: ofStore };
  const [, list = "", index = "", rest = ""] = /^\/(\w+)\/(\d+)(.*)$/.exec(path) ?? [];
  const kind = kindIn(list);
  const entity = kind && entitiesOf(plan).filter((one) => one.kind === kind)[Number(index)];
  return entity && { entity, rest };
}

/** A plan taken apart into entities, in the order in which it is written. */
export function entitiesOf(plan: Plan): Entity[] {
  const lists: { [Name in List]: Extract<Entity, { kind: KindIn<Name> }>[] } = {
    markets: plan.markets.map((body) => ({ kind: "market", id: body.id, body })),
    zones: plan.zones.map((body) => ({ kind: "zone", id: body.id, body })),
    options: plan.options.map((body) => ({ kind: "option", id: body.id, body })),
    offers: plan.offers.map((body) => ({ kind: "offer", id: body.id, body })),
    locations: (plan.locations ?? []).map((body) => ({ kind: "location", id: body.id, body })),
    notices: (plan.notices ?? []).map((body) => ({ kind: "notice", id: body.id, body })),
    conditions: (plan.conditions ?? []).map((body) => ({ kind: "condition", id: body.id, body })),
    rates: (plan.rates ?? []).map((body) => ({ kind: "rates", id: body.id, body })),
  };
  return [{ kind: "store", id: STORE_ID, body: plan.store }, ...Object.values(lists).flat()];
}

/** Entities put together into a plan; null without a store. Lists that are optional are left out while they are empty. */
export function planOf(entities: readonly Entity[]): Plan | null {
  const store = entities.find(isOf("store"));
  if (!store) return null;
  const lists: { [Name in List]: Body<KindIn<Name>>[] } = {
    markets: bodies(entities.filter(isOf("market"))),
    zones: bodies(entities.filter(isOf("zone"))),
    options: bodies(entities.filter(isOf("option"))),
    offers: bodies(entities.filter(isOf("offer"))),
    locations: bodies(entities.filter(isOf("location"))),
    notices: bodies(entities.filter(isOf("notice"))),
    conditions: bodies(entities.filter(isOf("condition"))),
    rates: bodies(entities.filter(isOf("rates"))),
  };
  const { locations, notices, conditions, rates, ...always } = lists;
  return {
    format: FORMAT,
    store: store.body,
    ...always,
    ...(locations.length > 0 ? { locations } : {}),
    ...(notices.length > 0 ? { notices } : {}),
    ...(conditions.length > 0 ? { conditions } : {}),
    ...(rates.length > 0 ? { rates } : {}),
  };
}

const bodies = <One extends Entity>(entities: readonly One[]): One["body"][] => entities.map(({ body }) => body);

const isOf =
  <Kind extends EntityKind>(kind: Kind) =>
  (entity: Entity): entity is Extract<Entity, { kind: Kind }> =>
    entity.kind === kind;
