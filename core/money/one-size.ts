import { commonFactor, commonFactorBig, MOST_EXACT, type Rational, reduce } from "./rational.ts";

/** Fractions as parts of one size: doubles where those hold all of them, big integers otherwise. */
export type OneSize =
  | { readonly kind: "doubles"; readonly parts: readonly number[]; readonly size: number }
  | { readonly kind: "big"; readonly parts: readonly bigint[]; readonly size: bigint };

/** @example inOneSize([{ n: 7, d: 2 }, { n: 1, d: 3 }]) // { kind: "doubles", parts: [21, 2], size: 6 } */
export function inOneSize(fractions: readonly Rational[]): OneSize {
  // Sums of prices come with long denominators, most of which cancels out.
  const reduced = fractions.map(reduce);
  let size = 1;
  for (const { n, d } of reduced) {
    if (typeof n !== "number" || typeof d !== "number" || size > MOST_EXACT) return big(reduced);
    size = (size / commonFactor(size, d)) * d;
  }
  const parts = reduced.map(({ n, d }) => Number(n) * (size / Number(d)));
  const fits = size <= MOST_EXACT && parts.every((one) => Math.abs(one) <= MOST_EXACT);
  return fits ? { kind: "doubles", parts, size } : big(reduced);
}

function big(reduced: readonly Rational[]): OneSize {
  const whole = reduced.map(({ n, d }) => ({ n: BigInt(n), d: BigInt(d) }));
  const size = whole.reduce((all, { d }) => (all / commonFactorBig(all, d)) * d, 1n);
  return { kind: "big", parts: whole.map(({ n, d }) => n * (size / d)), size };
}
