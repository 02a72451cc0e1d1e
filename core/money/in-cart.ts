import { inOneSize } from "./one-size.ts";
import { add, MOST_EXACT, multiply, negative, ONE, type Rational, subtract, ZERO } from "./rational.ts";
import type { Moving } from "./stairs.ts";
import type { Turning, TurnsOut } from "./ways.ts";

// Of several carts that are looked at together it is known what holds for all of them. What is worked out so is known for one of them
// alone, too, as far as it goes by what that cart holds more than the one with the least. It is asked for cart by cart and unit by unit,
// so that its fractions are brought to one size once and all else is reckoned with whole numbers.

/** A figure: `slope` more with each unit, `each` with each that is held, and what bends: it counts for nothing while below zero. */
type Made<Part> = {
  readonly at: Part;
  readonly slope: Part;
  readonly each: Part;
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
  const bends: { readonly sign: 1 | -1; readonly of: Made<Rational> }[] = [];
  let start = multiply(at, times);
  let each = ZERO;
  for (const [{ madeOf: made }, factor] of stairs ?? []) {
    const by = multiply(factor, times);
    if (made?.kind === "held") {
      each = add(each, by);
      continue;
    }
    const isLess = by.n < 0;
    const left = made && madeOf(made.of, isLess ? negative(by) : by);
    if (!left) return null;
    start = subtract(start, multiply(by, made.than));
    bends.push({ sign: isLess ? -1 : 1, of: left });
  }
  return { at: start, slope: multiply(slope, times), each, bends };
}

const fractionsIn = ({ at, slope, each, bends }: Made<Rational>): Rational[] => [
  at,
  slope,
  each,
  ...bends.flatMap(({ of }) => fractionsIn(of)),
];

/** @param parts of all its fractions, in their order: those that are used are taken away */
function partsOf({ bends }: Made<Rational>, parts: number[]): Made<number> {
  const [at = 0, slope = 0, each = 0] = parts.splice(0, 3);
  return { at, slope, each, bends: bends.map(({ sign, of }) => ({ sign, of: partsOf(of, parts) })) };
}

/** The parts in one of the carts after so many units; NaN where doubles do not hold them. */
function partsIn({ at, slope, each, bends }: Made<number>, held: number, units: number): number {
  const [risen, more] = [slope * units, each * held];
  if (Math.abs(at) + Math.abs(risen) + Math.abs(more) > MOST_EXACT) return Number.NaN;
  let sum = at + risen + more;
  for (const { sign, of } of bends) sum += sign * Math.max(0, partsIn(of, held, units));
  return Math.abs(sum) <= MOST_EXACT ? sum : Number.NaN;
}

/** Parts in one of the carts: `slope` more with each unit, as long as they go straight on, for so many. */
export type Straight = { readonly at: number; readonly slope: number; readonly units: number };

export function straightIn(made: Made<number>, held: number, units: number): Straight {
  let { slope } = made;
  let end = Number.POSITIVE_INFINITY;
  for (const { sign, of } of made.bends) {
    const straight = straightIn(of, held, units);
    if (straight.at >= 0) slope += sign * straight.slope;
    end = Math.min(end, straight.units, signTurnsIn(straight) - 1);
  }
  return { at: partsIn(made, held, units), slope, units: end };
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
    (parts, held, units) => {
      const straight = straightIn(parts, held, units);
      const { at } = straight;
      return Number.isNaN(at) ? null : { yes: at >= 0, units: straight.units, turnsIn: () => signTurnsIn(straight) };
    },
  );

/** How something turns out as long as everything goes straight on: for so many more units. */
type Stretch = Turning & { readonly units: number };

/** So often something may bend before it is told otherwise. */
const MOST_BENDS = 8;

/**
 * How something turns out that is told one stretch after the other.
 *
 * @param made what that takes, made when it is first asked; null: it is not told
 * @param stretchAfter that after so many units; null: it is not told
 */
export function turnsOutBy<Parts>(
  made: () => Parts | null,
  stretchAfter: (parts: Parts, held: number, units: number) => Stretch | null,
): TurnsOut {
  let known: Parts | null | undefined;
  return (held, units) => {
    if (known === undefined) known = made();
    const parts = known;
    return parts && turningAlong((more) => stretchAfter(parts, held, units + more));
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
