import { inOneSize } from "./one-size.ts";
import { add, MOST_EXACT, multiply, negative, ONE, type Rational, subtract, ZERO } from "./rational.ts";
import type { MadeOf, Moving } from "./stairs.ts";
import type { OneOfMany, Turning, TurnsOut } from "./ways.ts";

// Of several carts that are looked at together it is known what holds for all of them. What is worked out so is known for one of them
// alone, too, as far as it goes by what that cart holds more than the one with the least. It is asked for cart by cart and unit by unit,
// so that its fractions are brought to one size once and all else is reckoned with whole numbers.

type Begun = MadeOf & { readonly kind: "begun" };

/**
 * A figure: `slope` more with each unit, `each` with each that is held and `times` with each step, and what bends: it counts for nothing
 * while below zero.
 */
type Made<Part> = {
  readonly at: Part;
  readonly slope: Part;
  readonly each: Part;
  readonly steps: readonly { readonly times: Part; readonly of: Begun }[];
  readonly bends: readonly { readonly sign: 1 | -1; readonly of: Made<Part> }[];
};

/** The same in whole parts, `size` of which are one. */
export type InParts = Made<number> & { readonly size: number };

/** A figure in parts; null where something in it is not known of one cart, or doubles do not hold it. */
export function inParts(figure: Moving): InParts | null {
  const made = madeOf(figure, ONE);
  const sized = made && inOneSize(fractionsIn(made));
  if (!sized || sized.kind === "big") return null;
  const parts = [...sized.parts];
  return { ...partsOf(made, parts), size: sized.size };
}

/** @param times more than nothing */
function madeOf({ at, slope, stairs }: Moving, times: Rational): Made<Rational> | null {
  const steps: { readonly times: Rational; readonly of: Begun }[] = [];
  const bends: { readonly sign: 1 | -1; readonly of: Made<Rational> }[] = [];
  let start = multiply(at, times);
  let each = ZERO;
  for (const [{ madeOf: made }, factor] of stairs ?? []) {
    const by = multiply(factor, times);
    if (!made) return null;
    if (made.kind === "held") each = add(each, by);
    else if (made.kind === "begun") steps.push({ times: by, of: made });
    else {
      const isLess = by.n < 0;
      const left = madeOf(made.of, isLess ? negative(by) : by);
      if (!left) return null;
      start = subtract(start, multiply(by, made.than));
      bends.push({ sign: isLess ? -1 : 1, of: left });
    }
  }
  return { at: start, slope: multiply(slope, times), each, steps, bends };
}

const fractionsIn = ({ at, slope, each, steps, bends }: Made<Rational>): Rational[] => [
  at,
  slope,
  each,
  ...steps.map(({ times }) => times),
  ...bends.flatMap(({ of }) => fractionsIn(of)),
];

/** @param parts of all its fractions, in their order: those that are used are taken away */
function partsOf({ steps, bends }: Made<Rational>, parts: number[]): Made<number> {
  const [at = 0, slope = 0, each = 0, ...times] = parts.splice(0, 3 + steps.length);
  return {
    at,
    slope,
    each,
    steps: steps.map(({ of }, i) => ({ times: times[i] ?? 0, of })),
    bends: bends.map(({ sign, of }) => ({ sign, of: partsOf(of, parts) })),
  };
}

/** Parts in one of the carts: `slope` more with each unit, as long as they go straight on, for so many. NaN where doubles do not hold them. */
export type Straight = { readonly at: number; readonly slope: number; readonly units: number };

export function straightIn(made: Made<number>, cart: OneOfMany, after: number): Straight {
  let { slope } = made;
  let units = Number.POSITIVE_INFINITY;
  let [at, most] = [0, 0];
  const count = (parts: number) => {
    at += parts;
    most += Math.abs(parts);
  };
  count(made.at);
  count(made.slope * after);
  count(made.each * cart.held);
  for (const { times, of } of made.steps) {
    const begun = cart.begun(of.steps, of.units + after);
    count(times * (begun.at - of.than));
    units = Math.min(units, begun.steady);
  }
  for (const { sign, of } of made.bends) {
    const bent = straightIn(of, cart, after);
    count(sign * Math.max(0, bent.at));
    if (bent.at >= 0) slope += sign * bent.slope;
    units = Math.min(units, bent.units, signTurnsIn(bent) - 1);
  }
  return { at: most <= MOST_EXACT ? at : Number.NaN, slope, units };
}

/** In how many units what is nothing or more is less, or what is less is not. */
function signTurnsIn({ at, slope }: Straight): number {
  if (at >= 0) return slope < 0 ? Math.floor(at / -slope) + 1 : Number.POSITIVE_INFINITY;
  return slope > 0 ? Math.ceil(-at / slope) : Number.POSITIVE_INFINITY;
}

/** Whether a figure is nothing or more in each of the carts. */
export const signInCart = (figure: Moving): TurnsOut =>
  turnsOutBy(
    () => inParts(figure),
    (parts, cart, units) => {
      const straight = straightIn(parts, cart, units);
      const { at } = straight;
      return Number.isNaN(at) ? null : { yes: at >= 0, units: straight.units, turnsIn: () => signTurnsIn(straight) };
    },
  );

/** How something turns out as long as everything goes straight on: for so many more units. */
type Stretch = Turning & { readonly units: number };

/** So often something may bend before it is told otherwise. */
const MOST_BENDS = 128;

/**
 * How something turns out that is told one stretch after the other.
 *
 * @param made what that takes, made when it is first asked; null: it is not told
 * @param stretchAfter that after so many units; null: it is not told
 */
export function turnsOutBy<Parts>(
  made: () => Parts | null,
  stretchAfter: (parts: Parts, cart: OneOfMany, units: number) => Stretch | null,
): TurnsOut {
  let known: Parts | null | undefined;
  return (cart, units) => {
    if (known === undefined) known = made();
    const parts = known;
    return parts && turningAlong((more) => stretchAfter(parts, cart, units + more));
  };
}

function turningAlong(stretchAfter: (units: number) => Stretch | null): Turning | null {
  const first = stretchAfter(0);
  if (!first) return null;
  const { yes } = first;
  const turnsIn = (most: number): number | null => {
    let after = 0;
    for (let bends = 0; bends < MOST_BENDS; bends += 1) {
      const stretch = after === 0 ? first : stretchAfter(after);
      if (!stretch) return null;
      if (stretch.yes !== yes) return after;
      const end = Math.min(most - after, stretch.units);
      const turn = stretch.turnsIn(end);
      if (turn === null) return null;
      if (turn <= end) return after + turn;
      if (after + end >= most) return Number.POSITIVE_INFINITY;
      after += end + 1;
    }
    return null;
  };
  return { yes, turnsIn };
}
