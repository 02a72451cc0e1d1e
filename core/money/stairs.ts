import { add, isZero, multiply, negative, ONE, type Rational, reduce, ZERO } from "./rational.ts";
import type { Steps } from "./ways.ts";

/**
 * Something that rises or falls by leaps as goods are added: nothing now, and after `k` more units within `below` and `above` of
 * `slope` × k. It is told apart by being the same object, so that what two prices have of it in common cancels out.
 */
export type Stairs = {
  readonly slope: Rational;
  readonly below: Rational;
  readonly above: Rational;
  /** For how many more units it certainly does not move; −1: it may be something within its bounds even now. */
  readonly steady: number;
  /** What it is after so many more units, and for how many more it does not move then, where that is told. */
  readonly after?: (units: number) => { readonly at: number; readonly steady: number };
  /** What it is made of, where that tells what it is in one of several carts. */
  readonly madeOf?: MadeOf;
};

/**
 * What a cart holds more than another, in what that is worth; what is left of a figure, at least zero, beyond `than`; or how many more steps
 * than `than` are begun, first of all with so many units of filler.
 */
export type MadeOf =
  | { readonly kind: "held" }
  | { readonly kind: "left"; readonly of: Moving; readonly than: Rational }
  | { readonly kind: "begun"; readonly steps: Steps; readonly than: number; readonly units: number };

/** An exact figure: `at` here, `slope` more with every unit that is added, and what its stairs rise by. */
export type Moving = { readonly at: Rational; readonly slope: Rational; readonly stairs: StairsIn };

/** How many times each of some stairs goes into an amount; null: none. */
export type StairsIn = ReadonlyMap<Stairs, Rational> | null;

export function stairsPlus(a: StairsIn, b: StairsIn, times: Rational = ONE): StairsIn {
  if (!b || (!a && times.n === times.d)) return b ?? a;
  const sum = new Map<Stairs, Rational>();
  if (a) for (const [stairs, factor] of a) sum.set(stairs, factor);
  for (const [stairs, factor] of b) {
    const more = multiply(factor, times);
    const known = sum.get(stairs);
    const total = reduce(known ? add(known, more) : more);
    if (isZero(total)) sum.delete(stairs);
    else sum.set(stairs, total);
  }
  return sum.size > 0 ? sum : null;
}

/** For how many more units none of them moves. */
export function steadyFor(stairs: StairsIn): number {
  let units = Number.POSITIVE_INFINITY;
  for (const { steady } of stairs?.keys() ?? []) units = Math.min(units, steady);
  return units;
}

/** All of them together, each as often as it goes in. */
export function together(stairs: StairsIn): Pick<Stairs, "slope" | "below" | "above"> {
  let [slope, below, above] = [ZERO, ZERO, ZERO];
  for (const [one, factor] of stairs ?? []) {
    const size = factor.n < 0 ? negative(factor) : factor;
    slope = reduce(add(slope, multiply(one.slope, factor)));
    below = reduce(add(below, multiply(factor.n < 0 ? one.above : one.below, size)));
    above = reduce(add(above, multiply(factor.n < 0 ? one.below : one.above, size)));
  }
  return { slope, below, above };
}
