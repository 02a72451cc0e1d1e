import type { Plan } from "../plan/plan.ts";
import { type OptionPrice, optionPrice } from "../quote/option-price.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { Problem } from "../schema/problem.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { isPriceable, type PastOrder, type PlainOrder } from "./past-order.ts";
import {
  changeOf,
  countsOf,
  emptyRow,
  MostChanged,
  type Replayed,
  type ReplayRow,
  rowKey,
  rowsBy,
  type Sums,
  type WhyNotPriced,
} from "./replayed.ts";

/** Whatever has to do with what is not known: everything else is known, and stands in the way. */
const NOT_KNOWN: ReadonlySet<WhyNotPriced> = new Set<WhyNotPriced>([
  "condition-unknown",
  "weight-unknown",
  "place-unknown",
  "carrier-slow",
  "carrier-failed",
  "carrier-not-asked",
  "only-a-total",
]);

/** A plan all of whose offers run, whenever an order was made: their schedules are left out. */
export const asRunning = (plan: Plan): Plan => ({
  ...plan,
  offers: plan.offers.map(({ schedule: _, ...offer }) => offer),
});

/** What a replay may look at besides the plan. */
export type ReplayForm = {
  /** Another plan that every order is priced by too. */
  readonly beside?: CompiledPlan | undefined;
  /** Tells orders apart. */
  readonly groupOf?: ((order: PastOrder) => number | null) | undefined;
};

type Price = Exclude<OptionPrice, { none: unknown }>;
/** An order with its price by the plan, and by the one beside where that has one too. */
export type PricedOrder = {
  readonly order: PastOrder;
  readonly group: number | null;
  readonly now: Price;
  readonly beside: Price | null;
};
/** The same, or why there is no price. */
export type ReplayedOrder = PricedOrder | { readonly why: WhyNotPriced };

/** A plan, and which of its offers are limited. */
type Under = { readonly compiled: CompiledPlan; readonly limited: readonly string[] };

const under = (compiled: CompiledPlan): Under => ({
  compiled,
  limited: compiled.plan.offers.filter(({ limits, on }) => on && limits).map(({ id }) => id),
});

/**
 * Prices orders anew, one after the other, and adds up what became of them. Exact: each is priced as its quote would be. Shoppers
 * are taken as acting as they did.
 *
 * @example const replay = new Replay(compiled); for (const order of orders) replay.add(order); replay.result().rows
 */
export class Replay {
  private readonly now: Under;
  private readonly beside: Under | null;
  private readonly groupOf: (order: PastOrder) => number | null;
  private orders = 0;
  private cancelled = 0;
  private limitsIgnored = 0;
  private readonly rows = new Map<string, ReplayRow>();
  private readonly reasons = new Map<WhyNotPriced, number>();
  private readonly most = new MostChanged();

  constructor(compiled: CompiledPlan, { beside, groupOf }: ReplayForm = {}) {
    this.now = under(compiled);
    this.beside = beside ? under(beside) : null;
    this.groupOf = groupOf ?? (() => null);
  }

  /** @returns what is wrong with an order that cannot be priced at all; it is not counted */
  add(order: PastOrder | PlainOrder): Problem[] {
    if (order.cancelled) {
      this.cancelled += 1;
      return [];
    }
    const found = this.one(order);
    if ("problems" in found) return found.problems;
    this.orders += 1;
    if (isPriceable(order) && order.request.uses === undefined && this.now.limited.length > 0) this.limitsIgnored += 1;
    if ("why" in found) this.reasons.set(found.why, (this.reasons.get(found.why) ?? 0) + 1);
    else this.count(found);
    return [];
  }

  /** What one order would have meant, counted nowhere. */
  one(order: PastOrder | PlainOrder): ReplayedOrder | { readonly problems: Problem[] } {
    if (!isPriceable(order)) return { why: "only-a-total" };
    const found = priced(this.now, order);
    if ("problems" in found) return found;
    if ("none" in found) return { why: found.none };
    const other = this.beside ? priced(this.beside, order) : null;
    return { order, group: this.groupOf(order), now: found, beside: other && "price" in other ? other : null };
  }

  result(): Replayed {
    const { orders, cancelled, limitsIgnored } = this;
    const reasons = countsOf(this.reasons);
    return {
      ...{ orders, cancelled, limitsIgnored },
      rows: rowsBy([...this.rows.values()], rowKey),
      cannotBeTold: reasons.filter(({ why }) => NOT_KNOWN.has(why)),
      notToBeHad: reasons.filter(({ why }) => !NOT_KNOWN.has(why)),
      changedMost: this.most.all(),
    };
  }

  private count({ order, group, now: found, beside }: PricedOrder): void {
    const { option, charged, request } = order;
    const row = this.rowOf({ currency: request.currency, zone: found.zone ?? "", option, group });
    const { price: now } = found;
    addTo(row.now, found);
    row.charged += charged;
    if (charged === 0) row.freeBefore += 1;
    if (now > charged) row.more += 1;
    if (now < charged) row.less += 1;
    if (beside) {
      addTo(row.beside, beside);
      if (now > beside.price) row.moreThanBeside += 1;
      if (now < beside.price) row.lessThanBeside += 1;
    }
    const one = { order: order.order, currency: request.currency, option, charged, now, beside: beside?.price ?? null };
    if (changeOf(one) !== 0) this.most.add(one);
  }

  private rowOf(of: Pick<ReplayRow, "currency" | "zone" | "option" | "group">): ReplayRow {
    const known = this.rows.get(rowKey(of));
    if (known) return known;
    const row = emptyRow(of);
    this.rows.set(rowKey(of), row);
    return row;
  }
}

function addTo(sums: Sums, { price, fullPrice }: { readonly price: number; readonly fullPrice: number }): void {
  sums.orders += 1;
  sums.delivery += price;
  sums.givenAway += fullPrice - price;
  if (price === 0) sums.free += 1;
}

/** Where it is not known how often limited offers had been used, none of them had. */
function priced({ compiled, limited }: Under, { request, option }: PastOrder) {
  const isUnused = request.uses === undefined && limited.length > 0;
  const asked: QuoteRequest = isUnused
    ? { ...request, uses: limited.map((offer) => ({ offer, overall: 0, byShopper: 0 })) }
    : request;
  return optionPrice(compiled, asked, option);
}
