import { type InParts, inParts, type Straight, straightIn, turnsOutBy } from "./in-cart.ts";
import { halfMore, minus, moving, plus } from "./linear-amount.ts";
import { type Paid, sidesOf } from "./paid.ts";
import { MOST_EXACT } from "./rational.ts";
import type { TurnsOut } from "./ways.ts";

/** Two prices of many carts: each amount that is rounded, half a unit more, and the exact difference between the two. */
type Gain = {
  readonly amounts: readonly { readonly sign: 1 | -1; readonly parts: InParts }[];
  readonly gap: InParts;
  /** How far rounding may carry the difference, in parts of it. */
  readonly rounding: number;
};

/** Whether there is less to pay in each of several carts once all is rounded. */
export const gainInCart = (after: Paid, before: Paid): TurnsOut =>
  turnsOutBy(
    () => gainOf(after, before),
    (gain, cart, units) => {
      const gap = straightIn(gain.gap, cart, units);
      const amounts = gain.amounts.map(({ sign, parts }): Rounded => {
        const straight = straightIn(parts, cart, units);
        return { sign, straight, size: parts.size };
      });
      const yes = isThere(amounts, 0);
      if (yes === null || Number.isNaN(gap.at)) return null;
      const end = Math.min(gap.units, ...amounts.map(({ straight }) => straight.units));
      return { yes, units: end, turnsIn: (most) => turnsIn(gain, gap, amounts, yes, most) };
    },
  );

function gainOf(after: Paid, before: Paid): Gain | null {
  const { less, more } = sidesOf(after, before);
  const gap = inParts(moving(minus(plus(...more), plus(...less))));
  if (!gap) return null;
  const amounts: { sign: 1 | -1; parts: InParts }[] = [];
  let rounding = 0;
  for (const [sign, side] of [
    [1, more],
    [-1, less],
  ] as const)
    for (const amount of side) {
      if (amount === 0) continue;
      const parts = inParts(halfMore(amount));
      if (!parts) return null;
      amounts.push({ sign, parts });
      if (typeof amount !== "number") rounding += gap.size / 2;
    }
  return { amounts, gap, rounding };
}

/** An amount in one of the carts, of which the whole part counts. */
type Rounded = { readonly sign: 1 | -1; readonly straight: Straight; readonly size: number };

/** So many units on; null where doubles do not hold it. */
function isThere(amounts: readonly Rounded[], units: number): boolean | null {
  let gain = 0;
  for (const { sign, straight, size } of amounts) {
    const [at, risen] = [straight.at, straight.slope * units];
    if (!(Math.abs(at) + Math.abs(risen) <= MOST_EXACT)) return null;
    // The quotient of whole numbers that doubles hold never rounds up to the next whole one.
    gain += sign * Math.floor((at + risen) / size);
  }
  return gain > 0;
}

/** Where rounding decides, so many units are tried. */
const MOST_TRIED = 200;

/** In how many units it turns while everything goes straight on, for `most` more. */
function turnsIn(
  { gap: { size }, rounding }: Gain,
  { at, slope }: Straight,
  amounts: readonly Rounded[],
  gains: boolean,
  most: number,
): number | null {
  // As long as the gap is further from where it turns than rounding can carry it, nothing turns.
  const room = gains ? at - rounding : size - at - rounding;
  const closing = gains ? -slope : slope;
  if (room > 0 && closing <= 0) return Number.POSITIVE_INFINITY;
  // What stands still stays as it is, and so do two that are the same.
  const isSame = amounts.length === 2 && at === 0 && slope === 0;
  if (isSame || amounts.every(({ straight }) => straight.slope === 0)) return Number.POSITIVE_INFINITY;
  const first = room > 0 ? Math.ceil(room / closing) : 1;
  for (let k = first; k < first + MOST_TRIED; k += 1) {
    if (k > most) return Number.POSITIVE_INFINITY;
    const then = isThere(amounts, k);
    if (then !== gains) return then === null ? null : k;
    if (closing < 0 && room - closing * k > 0) return Number.POSITIVE_INFINITY;
  }
  return null;
}
