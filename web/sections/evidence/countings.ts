import { countingKey, TOTAL, type ValueCounting } from "../../../core/evidence/order-facts.ts";
import { basisWords } from "../../../core/measures/basis.ts";
import { onlyWords } from "../../../core/measures/only-goods.ts";
import { joined } from "../../../core/phrases/phrase.ts";
import { type Plan, ratesOf } from "../../../core/plan/plan.ts";
import type { OrderFilter } from "../../../server/orders/order-filter.ts";
import { say } from "../../language/say.ts";
import { goalsInSight } from "./goals-in-sight.ts";

/** A way to count what orders are worth, with what it is called. */
export type Counted = { readonly counting: ValueCounting; readonly words: string };

/** The ways in which the offers of a market count, the most common goal's first; what goods came to in any case. */
export function countingsOf(plan: Plan, filter: OrderFilter): Counted[] {
  const found = new Map<string, ValueCounting>();
  for (const { counting } of goalsInSight(plan, filter)) found.set(countingKey(counting), counting);
  found.set(countingKey(TOTAL), TOTAL);
  return [...found.values()].map((counting) => ({
    counting,
    words: countingWords(plan, filter, counting),
  }));
}

function countingWords(plan: Plan, { currency, market = "" }: OrderFilter, { basis, only }: ValueCounting): string {
  const goods = onlyWords(only, { zone: null, market, currency, rates: ratesOf(plan) });
  return say(goods ? joined([basisWords(basis), goods]) : basisWords(basis));
}
