import type { World } from "../analysis/world.ts";
import type { Condition, SavedConditions } from "../conditions/condition.ts";
import { keptBy } from "../phrases/kept.ts";
import { type Entity, entitiesOf } from "../plan/entities.ts";
import type { Plan } from "../plan/plan.ts";
import type { KeptParts } from "./kept-parts.ts";

/** Kinds of entities of which a part of a check looks at some only; of all others it may look at each. */
const APART: ReadonlySet<string> = new Set(["store", "zone", "option", "offer", "notice", "condition"]);

/** What is looked from is taken for the same for so many milliseconds: opening hours and schedules may turn. */
const TURN = 15 * 60_000;

/**
 * What parts of checks are made of: lists of things that are told apart by identity, as an edit leaves them where they were.
 */
export class MadeOf {
  private readonly everywhere: object;
  /** Each zone with its addresses alone. */
  private readonly places = new Map<string, object>();
  private readonly inZone = new Map<string, unknown[]>();
  private readonly pricesKnown = new Map<string, object>();
  private readonly saved: SavedConditions;
  private readonly stands: KeptParts<object>;
  /** The places of several zones as one thing: lists of zones are long, and asked about for each condition of an option or offer. */
  private readonly placesOf = keptBy((zones: readonly string[]) =>
    this.one(
      ["places", ...zones].join(" "),
      zones.map((zone) => this.places.get(zone)),
    ),
  );

  /** @param stands of the run before: what is made of many things is one as long as they are the same */
  constructor(plan: Plan, saved: SavedConditions, { contexts, at }: World, stands: KeptParts<object>) {
    this.saved = saved;
    this.stands = stands;
    const { accepted: _, ...store } = plan.store;
    const others = entitiesOf(plan).flatMap(({ kind, body }) => (APART.has(kind) ? [] : [body]));
    this.everywhere = this.one("everywhere", [JSON.stringify(store), Math.floor(at / TURN), ...others]);
    const addresses = new Map(contexts.map((where) => [where.zone.id, where.addresses]));
    for (const zone of plan.zones) {
      const place = this.one(["place", zone.id].join(" "), [zone, JSON.stringify(addresses.get(zone.id) ?? [])]);
      this.places.set(zone.id, place);
      this.inZone.set(zone.id, [place]);
    }
    for (const { list, body } of [
      ...plan.options.map((option) => ({ list: option.zones, body: option })),
      ...plan.offers.map((offer) => ({ list: offer.zones, body: offer })),
    ])
      for (const zone of list) this.inZone.get(zone)?.push(body);
  }

  private one(name: string, things: readonly unknown[]): object {
    return this.stands.of(name, things, () => ({}));
  }

  /** What a decision about a condition in some zones is made of; which options and offers are there is nothing to it. */
  decision(zones: readonly string[], condition: Condition): unknown[] {
    return [this.everywhere, this.placesOf(zones), ...this.savedBy([condition])];
  }

  /** What all prices in a zone are made of. */
  prices(zone: string): unknown[] {
    const there = this.inZone.get(zone) ?? [];
    const known =
      this.pricesKnown.get(zone) ??
      this.one(["prices", zone].join(" "), [this.everywhere, ...there, ...this.savedBy(there)]);
    this.pricesKnown.set(zone, known);
    return [known];
  }

  /** What the rules of one entity are about. */
  entity({ body }: Entity): unknown[] {
    return [body, ...this.savedBy([body])];
  }

  /** Every saved condition that things name, and those that these name. */
  private savedBy(things: readonly unknown[]): unknown[] {
    const found = new Map<string, unknown>();
    const open = [...things];
    for (let next = open.pop(); next !== undefined; next = open.pop()) {
      if (typeof next !== "object" || next === null) continue;
      for (const id of savedIn(next)) {
        const body = this.saved.get(id);
        if (!body || found.has(id)) continue;
        found.set(id, body);
        open.push(body);
      }
    }
    return [...found.keys()].sort().map((id) => found.get(id));
  }
}

/** The ids of saved conditions that stand within something, however deep. */
const savedIn = keptBy((thing: object): readonly string[] => {
  const ids = new Set<string>();
  const open: unknown[] = [thing];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    if (typeof next !== "object" || next === null) continue;
    if ("kind" in next && next.kind === "saved" && "id" in next) ids.add(String(next.id));
    for (const inner of Object.values(next)) if (typeof inner === "object" && inner !== null) open.push(inner);
  }
  return [...ids];
});
