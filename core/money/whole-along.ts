import { type Rational, reduce } from "./rational.ts";

/** The whole part of a figure after so many units. */
export type WholeAlong<Whole extends number | bigint> = (units: number) => Whole;

/**
 * Whole parts of figures that rise or fall by `slope` with each unit, of one kind so that they can be added up: doubles where those hold
 * all there is up to `most` units exactly, big integers otherwise.
 *
 * @example wholeAlong([{ at: { n: 7n, d: 2n }, slope: { n: 1n, d: 2n } }], 200).wholes[0]?.(1) // 4
 */
export function wholeAlong(
  figures: readonly { readonly at: Rational; readonly slope: Rational }[],
  most: number,
):
  | { readonly kind: "doubles"; readonly wholes: readonly WholeAlong<number>[] }
  | { readonly kind: "big"; readonly wholes: readonly WholeAlong<bigint>[] } {
  const common = figures.map(({ at, slope }) => inOneSize(at, slope));
  const doubles = common.map(({ start, rise, size }): WholeAlong<number> | null => {
    const [a, b, c] = [Number(start), Number(rise), Number(size)];
    const furthest = Math.abs(a) + Math.abs(b) * most;
    // The quotient of whole numbers that doubles hold never rounds up to the next whole one.
    return furthest <= MOST_EXACT && c <= MOST_EXACT ? (units) => Math.floor((a + b * units) / c) : null;
  });
  const exact = doubles.filter((one) => one !== null);
  if (exact.length === figures.length) return { kind: "doubles", wholes: exact };
  const big = common.map(
    ({ start, rise, size }): WholeAlong<bigint> =>
      (units) => {
        const sum = start + rise * BigInt(units);
        const quotient = sum / size;
        return sum < 0n && quotient * size !== sum ? quotient - 1n : quotient;
      },
  );
  return { kind: "big", wholes: big };
}

/** Both over one denominator. Sums of prices come with long ones, most of which cancels out. */
function inOneSize(at: Rational, slope: Rational) {
  const [a, s] = [reduce(at), reduce(slope)];
  const shared = reduce({ n: a.d, d: s.d });
  // a.d × shared.d is the least multiple of both.
  return { start: a.n * shared.d, rise: s.n * shared.n, size: a.d * shared.d };
}

/** Half of what doubles hold, so that sums of two are held too. */
const MOST_EXACT = 2 ** 52;
