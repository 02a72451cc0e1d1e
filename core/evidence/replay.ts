import type { NoPrice } from "../charges/no-price.ts";
import type { Plan } from "../plan/plan.ts";
import { type OptionPrice, optionPrice } from "../quote/option-price.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { Problem } from "../schema/problem.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import type { PastOrder } from "./past-order.ts";

/** Orders of one zone and option in one currency; amounts in its minor units. */
export type ReplayRow = {
  readonly currency: string;
  readonly zone: string;
  readonly option: string;
  orders: number;
  /** What delivery was charged, and what it would have been. */
  charged: number;
  now: number;
  /** Orders whose delivery cost nothing, and would have. */
  freeBefore: number;
  freeNow: number;
  /** What the plan's offers would have taken off. */
  givenAway: number;
  /** Orders that would have paid more, and less. */
  more: number;
  less: number;
};

/** An order whose delivery would have cost something else. */
export type ChangedOrder = {
  readonly order: string;
  readonly currency: string;
  readonly option: string;
  readonly charged: number;
  readonly now: number;
};

type Why = NoPrice | "nobody-delivers";

/** What orders would have meant under a plan. */
export type Replayed = {
  readonly orders: number;
  readonly cancelled: number;
  readonly rows: readonly ReplayRow[];
  /** Orders whose facts do not say what would have been charged, by what is not known. */
  readonly cannotBeTold: Readonly<Partial<Record<Why, number>>>;
  /** Orders whose option could not have been chosen, by why. */
  readonly notToBeHad: Readonly<Partial<Record<Why, number>>>;
  /** Orders priced as if no limited offer had been used before, since how often they were is not known. */
  readonly limitsIgnored: number;
  /** Of each currency, those whose delivery changes most. */
  readonly changedMost: readonly ChangedOrder[];
};

const MOST_CHANGED = 20;

/** Whatever has to do with what is not known: everything else is known, and stands in the way. */
const NOT_KNOWN: ReadonlySet<Why> = new Set<Why>([
  "condition-unknown",
  "weight-unknown",
  "place-unknown",
  "carrier-slow",
  "carrier-failed",
  "carrier-not-asked",
]);

/** A plan all of whose offers run, whenever an order was made: their schedules are left out. */
export const asRunning = (plan: Plan): Plan => ({
  ...plan,
  offers: plan.offers.map(({ schedule: _, ...offer }) => offer),
});

/**
 * Prices orders anew, one after the other, and adds up what became of them. Exact: each is priced as its quote would be. Shoppers
 * are taken as acting as they did.
 *
 * @example const replay = new Replay(compiled); for (const order of orders) replay.add(order); replay.result().rows
 */
export class Replay {
  private readonly compiled: CompiledPlan;
  private readonly limited: readonly string[];
  private orders = 0;
  private cancelled = 0;
  private limitsIgnored = 0;
  private readonly rows = new Map<string, ReplayRow>();
  private readonly reasons = new Map<Why, number>();
  private readonly changed = new Map<string, ChangedOrder[]>();

  constructor(compiled: CompiledPlan) {
    this.compiled = compiled;
    this.limited = compiled.plan.offers.filter(({ limits, on }) => on && limits).map(({ id }) => id);
  }

  /** @returns what is wrong with an order that cannot be priced at all; it is not counted */
  add(order: PastOrder): Problem[] {
    if (order.cancelled) {
      this.cancelled += 1;
      return [];
    }
    const { request } = order;
    const isIgnored = request.uses === undefined && this.limited.length > 0;
    const found = optionPrice(this.compiled, isIgnored ? this.unused(request) : request, order.option);
    if ("problems" in found) return found.problems;
    this.orders += 1;
    if (isIgnored) this.limitsIgnored += 1;
    this.count(order, found);
    return [];
  }

  result(): Replayed {
    const reasonsOf = (isKnown: boolean) =>
      Object.fromEntries([...this.reasons].filter(([why]) => NOT_KNOWN.has(why) !== isKnown).sort());
    const { orders, cancelled, limitsIgnored } = this;
    return {
      ...{ orders, cancelled, limitsIgnored },
      rows: [...this.rows.values()].sort((a, b) => keyOf(a).localeCompare(keyOf(b), "en")),
      cannotBeTold: reasonsOf(false),
      notToBeHad: reasonsOf(true),
      changedMost: [...this.changed].sort().flatMap(([, changed]) => changed),
    };
  }

  /** As if none of the offers with a limit had been used. */
  private unused(request: QuoteRequest): QuoteRequest {
    return { ...request, uses: this.limited.map((offer) => ({ offer, overall: 0, byShopper: 0 })) };
  }

  private count({ order, option, charged, request: { currency } }: PastOrder, found: OptionPrice): void {
    if ("none" in found) {
      this.reasons.set(found.none, (this.reasons.get(found.none) ?? 0) + 1);
      return;
    }
    const { zone, price: now, fullPrice } = found;
    const row = this.rowOf({ currency, zone: zone ?? "", option });
    row.orders += 1;
    row.charged += charged;
    row.now += now;
    row.givenAway += fullPrice - now;
    if (charged === 0) row.freeBefore += 1;
    if (now === 0) row.freeNow += 1;
    if (now > charged) row.more += 1;
    if (now < charged) row.less += 1;
    if (now !== charged) this.keep({ order, currency, option, charged, now });
  }

  private rowOf(of: Pick<ReplayRow, "currency" | "zone" | "option">): ReplayRow {
    const known = this.rows.get(keyOf(of));
    if (known) return known;
    const none = { orders: 0, charged: 0, now: 0, freeBefore: 0, freeNow: 0, givenAway: 0, more: 0, less: 0 };
    const row = { ...of, ...none };
    this.rows.set(keyOf(of), row);
    return row;
  }

  /** Keeps those that change most, the most first; of equals, the earlier. */
  private keep(one: ChangedOrder): void {
    const kept = this.changed.get(one.currency) ?? [];
    const at = kept.findIndex((other) => byHowMuch(other) < byHowMuch(one));
    if (at < 0 && kept.length >= MOST_CHANGED) return;
    kept.splice(at < 0 ? kept.length : at, 0, one);
    this.changed.set(one.currency, kept.slice(0, MOST_CHANGED));
  }
}

const byHowMuch = ({ charged, now }: ChangedOrder) => Math.abs(now - charged);
const keyOf = ({ currency, zone, option }: Pick<ReplayRow, "currency" | "zone" | "option">) =>
  [currency, zone, option].join(" ");
