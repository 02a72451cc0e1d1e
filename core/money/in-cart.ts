import { add, ceil, divide, floor, multiply, negative, type Rational, subtract, timesWhole, ZERO } from "./rational.ts";
import type { Stairs, StairsIn, Straight } from "./stairs.ts";
import type { Turning } from "./ways.ts";

// Of several carts that are looked at together it is known what holds for all of them. What is worked out so is known for one of them
// alone, too, as far as it goes by what that cart holds more than the one with the least.

/** A figure as goods are added, of which something is not the same in all carts: see {@link Stairs}. */
type Figure = { readonly at: Rational; readonly slope: Rational; readonly stairs: StairsIn };

/** How many times what is held goes into a figure; null where anything else is not known of it. */
export function heldIn(stairs: StairsIn): Rational | null {
  if (!stairs) return ZERO;
  const [[one, factor] = [], another] = stairs;
  return one?.isHeld && factor && !another ? factor : null;
}

/** A figure in one of the carts after so many units, as long as it goes straight on; null where that is not known. */
export function inCart(figure: Figure, held: number, after: number): Straight | null {
  let { slope } = figure;
  let at = add(figure.at, timesWhole(slope, after));
  let units = Number.POSITIVE_INFINITY;
  for (const [stairs, factor] of figure.stairs ?? []) {
    const one = stairs.inCart?.(held, after);
    if (!one) return null;
    at = add(at, multiply(factor, one.at));
    slope = add(slope, multiply(factor, one.slope));
    units = Math.min(units, one.units);
  }
  return { at, slope, units };
}

/** What a figure, at least zero, comes to more than `than` in one of the carts; undefined where that is not known. */
export function leftInCart(figure: Figure, than: Rational): Stairs["inCart"] {
  for (const stairs of figure.stairs?.keys() ?? []) if (!stairs.inCart) return undefined;
  return (held, after) => {
    const one = inCart(figure, held, after);
    if (!one) throw new RangeError("what is left is not known");
    const units = Math.min(one.units, turnsSignIn(one) - 1);
    return one.at.n >= 0
      ? { at: subtract(one.at, than), slope: one.slope, units }
      : { at: negative(than), slope: ZERO, units };
  };
}

/** In how many units what is nothing or more is less, or what is less is not. */
function turnsSignIn({ at, slope }: Pick<Straight, "at" | "slope">): number {
  if (at.n >= 0) return slope.n < 0 ? floor(divide(at, negative(slope))) + 1 : Number.POSITIVE_INFINITY;
  return slope.n > 0 ? ceil(divide(negative(at), slope)) : Number.POSITIVE_INFINITY;
}

/** Whether a figure is nothing or more in one of the carts after so many units; see {@link TurnsOut}. */
export const signInCart = (figure: Figure, held: number, after: number): Turning | null =>
  turningAlong((more) => {
    const one = inCart(figure, held, after + more);
    return one && { yes: one.at.n >= 0, turnsIn: () => turnsSignIn(one), units: one.units };
  });

/** How something turns out, as long as everything goes straight on: for so many more units. */
type Stretch = Turning & { readonly units: number };

/** So often something may bend before it is told otherwise. */
const MOST_BENDS = 8;

/** How something turns out that is told one stretch after the other. @param stretchAfter that after so many units; null: it is not told */
export function turningAlong(stretchAfter: (units: number) => Stretch | null): Turning | null {
  const first = stretchAfter(0);
  if (!first) return null;
  const { yes } = first;
  const turnsIn = (most: number): number | null => {
    let after = 0;
    for (let bends = 0; bends < MOST_BENDS; bends += 1) {
      const stretch = after === 0 ? first : stretchAfter(after);
      if (!stretch) return null;
      if (stretch.yes !== yes) return after;
      const units = Math.min(most - after, stretch.units);
      const turn = stretch.turnsIn(units);
      if (turn === null) return null;
      if (turn <= units) return after + turn;
      if (after + units >= most) return Number.POSITIVE_INFINITY;
      after += units + 1;
    }
    return null;
  };
  return { yes, turnsIn };
}
