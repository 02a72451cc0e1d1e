import { type ReadCart, type ReadLine, readLine } from "../cart/read-cart.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import type { Measure } from "../measures/measure.ts";
import type { LadderMeasure } from "../measures/measure-spec.ts";
import { countedValue } from "../measures/value-measure.ts";
import type { Progress } from "../quote/answer/quote.ts";
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
/** So many that look best are tried: discounts on the order take from them too, and what is too large may cost the reward. */
const TRIED = 40;

/**
 * For each step that a shopper is on the way to: the products, and pairs of them, that fill the gap with the least beyond it, at the prices
 * they are given at and counted as the offer counts. With each of them a quote gives what the step promises.
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
  const sold = products.map((line): Product => ({ line, read: readLine(line) }));
  const suggestions = answer.quote.progress.flatMap(({ offer, step, remaining, measure: kind }): Suggestion[] => {
    const offered = only.tariff.offers.find(({ id }) => id === offer);
    const goal = offered?.steps.find((one) => one.step.id === step)?.goal;
    const measure = goal && only.tariff.measures[goal.measure];
    if (!goal || !measure || !remaining || remaining <= 0) return [];
    const stateWith = (more: readonly CartLine[]) => stateOf(compiled, request, more, { offer, step });
    const filled = fillings(measure, cart, goal.least, sold, stateWith);
    return filled ? [{ offer, step, measure: kind, ...filled }] : [];
  });
  return { suggestions };
}

/** Where a step stands once there is more in the cart; undefined where it is in no quote then. */
type StateWith = (more: readonly CartLine[]) => Progress["state"] | undefined;

function stateOf(
  compiled: CompiledPlan,
  request: QuoteRequest,
  more: readonly CartLine[],
  { offer, step }: Pick<Suggestion, "offer" | "step">,
): ReturnType<StateWith> {
  const cart = { ...request.cart, lines: [...request.cart.lines, ...more] };
  const answer = quote(compiled, { ...request, cart }, { text: false });
  if ("problems" in answer) return undefined;
  return answer.quote.progress.find((one) => one.offer === offer && one.step === step)?.state;
}

/** What a measure counts of a cart; null where it cannot be told, or has nothing to do with goods. */
function countOf(measure: Measure, cart: ReadCart): number | null {
  if (measure.kind === "value") return countedValue(measure.value, cart);
  return measure.kind === "count" ? measure.count(cart.lines) : null;
}

type Product = { readonly line: CartLine; readonly read: ReadLine };
type Counted = Product & { readonly adds: number };

function fillings(
  measure: Measure,
  cart: ReadCart,
  least: number,
  products: readonly Product[],
  stateWith: StateWith,
): Pick<Suggestion, "gap" | "one" | "two"> | null {
  const now = countOf(measure, cart);
  if (now === null || now >= least) return null;
  const gap = least - now;
  const withMore = (...more: Product[]) =>
    countOf(measure, { ...cart, lines: [...cart.lines, ...more.map(({ read }) => read)] });
  const counted = products
    .flatMap((product): Counted[] => {
      const after = withMore(product);
      return after === null || after <= now ? [] : [{ ...product, adds: after - now }];
    })
    .sort((a, b) => a.adds - b.adds);
  const short = counted.filter(({ adds }) => adds < gap);
  const pairsOf = (open: readonly Counted[]): Candidate[] =>
    pairsNear(open, gap)
      .flatMap((pair) => {
        const after = withMore(...pair);
        return after === null || after < least ? [] : [{ products: pair, beyond: after - least }];
      })
      .sort((a, b) => a.beyond - b.beyond);
  const singles = counted
    .filter(({ adds }) => adds >= gap)
    .map((product) => ({ products: [product], beyond: product.adds - gap }));
  return { gap, one: given(singles, stateWith).found, two: givenPairs(short, pairsOf, stateWith) };
}

type Candidate = { readonly products: readonly Counted[]; readonly beyond: number };

/** Those with which the reward is given, the first few; and which of the others cost it by themselves. */
function given(
  candidates: readonly Candidate[],
  stateWith: StateWith,
): { readonly found: Filling[]; readonly spoiling: ReadonlySet<Product>; readonly tried: number } {
  const found: Filling[] = [];
  const spoiling = new Set<Product>();
  let tried = 0;
  for (const { products, beyond } of candidates) {
    if (found.length === MOST || tried === TRIED) break;
    if (products.some((product) => spoiling.has(product))) continue;
    tried += 1;
    const lines = products.map(({ line }) => line);
    if (stateWith(lines) === "reached") found.push({ skus: lines.map(({ sku }) => sku), beyond });
    else if (lines.length > 1)
      for (const product of products) if (!isOpen(stateWith([product.line]))) spoiling.add(product);
  }
  return { found, spoiling, tried };
}

const isOpen = (state: ReturnType<StateWith>) => state === "on-the-way" || state === "reached";

/** The same of pairs: once a product costs the reward by itself, those without it are looked at anew. */
function givenPairs(
  short: readonly Counted[],
  pairsOf: (open: readonly Counted[]) => readonly Candidate[],
  stateWith: StateWith,
): Filling[] {
  let open = short;
  for (let left = TRIED; ; ) {
    const { found, spoiling, tried } = given(pairsOf(open), stateWith);
    left -= tried;
    if (found.length === MOST || spoiling.size === 0 || left <= 0) return found;
    open = open.filter((product) => !spoiling.has(product));
  }
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
    .slice(0, TRIED)
    .map(({ pair }) => pair);
}
