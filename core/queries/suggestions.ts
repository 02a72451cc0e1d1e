import { type ReadCart, type ReadLine, readLine } from "../cart/read-cart.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import type { Measure } from "../measures/measure.ts";
import type { LadderMeasure } from "../measures/measure-spec.ts";
import { countedValue } from "../measures/value-measure.ts";
import { quote } from "../quote/quote.ts";
import type { CartLine, QuoteRequest } from "../request/request.ts";
import type { Problem } from "../schema/problem.ts";
import type { CompiledPlan } from "../tariff/compile.ts";

/** Products that bring a cart to a goal: one, or two that may be the same, and by how much they go beyond it. */
export type Filling = { readonly skus: readonly string[]; readonly beyond: number };

/** What would bring a cart to a step that it has not reached. Figures in units of what is counted: minor units, pieces, milligrams. */
export type Suggestion = {
  readonly offer: string;
  readonly step: string;
  readonly measure: LadderMeasure["kind"];
  readonly gap: number;
  /** The least beyond first; none where no one product, or no two, would do. */
  readonly one: readonly Filling[];
  readonly two: readonly Filling[];
};

/** So many of each kind are told. */
const MOST = 3;
/** Pairs that look best are counted exactly, as discounts on the order take from them too. */
const COUNTED = 40;

/**
 * For each step that a shopper is on the way to: the products, and pairs of them, that fill the gap with the least beyond it, at the prices
 * they are given at and counted as the offer counts.
 *
 * @param products a line of one piece for each product on sale, in the request's currency
 * @example suggestionsFor(compiled, request, products) // { suggestions: [{ gap: 640, one: [{ skus: ["bone-folder"], beyond: 10 }], … }] }
 */
export function suggestionsFor(
  compiled: CompiledPlan,
  request: QuoteRequest,
  products: readonly CartLine[],
): { readonly suggestions: Suggestion[] } | { readonly problems: Problem[] } {
  const prepared = prepareRequest(compiled, request);
  if ("problems" in prepared) return prepared;
  const answer = quote(compiled, request, { text: false });
  if ("problems" in answer) return answer;
  const { cart, there } = prepared;
  const [only, ...others] = there;
  // Where it is not known which zone serves, it is not known what counts.
  if (!only || others.length > 0) return { suggestions: [] };
  const read = products.map(readLine);
  const suggestions = answer.quote.progress.flatMap(({ offer, step, remaining, measure: kind }): Suggestion[] => {
    const offered = only.tariff.offers.find(({ id }) => id === offer);
    const goal = offered?.steps.find((one) => one.step.id === step)?.goal;
    const measure = goal && only.tariff.measures[goal.measure];
    if (!goal || !measure || !remaining || remaining <= 0) return [];
    const filled = fillings(measure, cart, goal.least, read);
    return filled ? [{ offer, step, measure: kind, ...filled }] : [];
  });
  return { suggestions };
}

/** What a measure counts of a cart; null where it cannot be told, or has nothing to do with goods. */
function countOf(measure: Measure, cart: ReadCart): number | null {
  if (measure.kind === "value") return countedValue(measure.value, cart);
  return measure.kind === "count" ? measure.count(cart.lines) : null;
}

type Counted = { readonly line: ReadLine; readonly adds: number };

function fillings(
  measure: Measure,
  cart: ReadCart,
  least: number,
  products: readonly ReadLine[],
): Pick<Suggestion, "gap" | "one" | "two"> | null {
  const now = countOf(measure, cart);
  if (now === null || now >= least) return null;
  const gap = least - now;
  const withMore = (...lines: ReadLine[]) => countOf(measure, { ...cart, lines: [...cart.lines, ...lines] });
  const counted = products
    .flatMap((line): Counted[] => {
      const after = withMore(line);
      return after === null || after <= now ? [] : [{ line, adds: after - now }];
    })
    .sort((a, b) => a.adds - b.adds);
  const one = counted
    .filter(({ adds }) => adds >= gap)
    .slice(0, MOST)
    .map(({ line, adds }) => ({ skus: [line.sku], beyond: adds - gap }));
  const short = counted.filter(({ adds }) => adds < gap);
  const two = pairsNear(short, gap)
    .flatMap(([a, b]): Filling[] => {
      const after = withMore(a.line, b.line);
      return after === null || after < least ? [] : [{ skus: [a.line.sku, b.line.sku], beyond: after - least }];
    })
    .sort((a, b) => a.beyond - b.beyond)
    .slice(0, MOST);
  return { gap, one, two };
}

/** Pairs that come to at least the gap, or so nearly that rounding may tell, the least first: for each product the smallest that is enough. */
function pairsNear(counted: readonly Counted[], gap: number): (readonly [Counted, Counted])[] {
  const pairs: { readonly pair: readonly [Counted, Counted]; readonly sum: number }[] = [];
  let other = counted.length - 1;
  for (const [i, a] of counted.entries()) {
    while (other > 0 && a.adds + (counted[other - 1]?.adds ?? 0) >= gap - 1) other -= 1;
    // Pairs with those before it have been seen from their side.
    const first = Math.max(other, i);
    for (const at of [first, first + 1]) {
      const b = counted[at];
      if (b && a.adds + b.adds >= gap - 1) pairs.push({ pair: [a, b], sum: a.adds + b.adds });
    }
  }
  return pairs
    .sort((a, b) => a.sum - b.sum)
    .slice(0, COUNTED)
    .map(({ pair }) => pair);
}
