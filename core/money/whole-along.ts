import { inOneSize } from "./one-size.ts";
import { MOST_EXACT, type Rational } from "./rational.ts";

/** The whole part of a figure after so many units. */
export type WholeAlong<Whole extends number | bigint> = (units: number) => Whole;

/**
 * Whole parts of figures that rise or fall by `slope` with each unit, of one kind so that they can be added up: doubles where those hold
 * all there is up to `most` units exactly, big integers otherwise.
 *
 * @example wholeAlong([{ at: { n: 7, d: 2 }, slope: { n: 1, d: 2 } }], 200).wholes[0]?.(1) // 4
 */
export function wholeAlong(
  figures: readonly { readonly at: Rational; readonly slope: Rational }[],
  most: number,
):
  | { readonly kind: "doubles"; readonly wholes: readonly WholeAlong<number>[] }
  | { readonly kind: "big"; readonly wholes: readonly WholeAlong<bigint>[] } {
  const sized = figures.map(({ at, slope }) => inOneSize([at, slope]));
  const doubles: WholeAlong<number>[] = [];
  for (const { kind, parts, size } of sized) {
    if (kind === "big") break;
    const [start = 0, rise = 0] = parts;
    if (Math.abs(start) + Math.abs(rise) * most > MOST_EXACT) break;
    // The quotient of whole numbers that doubles hold never rounds up to the next whole one.
    doubles.push((units) => Math.floor((start + rise * units) / size));
  }
  if (doubles.length === figures.length) return { kind: "doubles", wholes: doubles };
  const big = sized.map(({ parts, size }): WholeAlong<bigint> => {
    const [start = 0n, rise = 0n] = parts.map(BigInt);
    const of = BigInt(size);
    return (units) => wholePart(start + rise * BigInt(units), of);
  });
  return { kind: "big", wholes: big };
}

function wholePart(sum: bigint, of: bigint): bigint {
  const quotient = sum / of;
  return sum < 0n && quotient * of !== sum ? quotient - 1n : quotient;
}
