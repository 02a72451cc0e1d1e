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

/**
 * The whole part of a figure that rises or falls by `slope` with each unit and by `each` with each that is held, as near as a double comes
 * to it.
 *
 * @example wholeWhereHeld({ at: { n: 7, d: 2 }, slope: { n: 1, d: 2 }, each: { n: 2, d: 1 } })(3, 1) // 10
 */
export function wholeWhereHeld(figure: Readonly<Record<"at" | "slope" | "each", Rational>>) {
  const sized = inOneSize([figure.at, figure.slope, figure.each]);
  const [start = 0n, rise = 0n, each = 0n] = sized.parts.map(BigInt);
  const big = (held: number, units: number): number =>
    Number(wholePart(start + rise * BigInt(units) + each * BigInt(held), BigInt(sized.size)));
  if (sized.kind === "big") return big;
  const { parts, size } = sized;
  const [at = 0, by = 0, more = 0] = parts;
  return (held: number, units: number): number => {
    const [risen, added] = [by * units, more * held];
    const fits = Math.abs(at) + Math.abs(risen) + Math.abs(added) <= MOST_EXACT;
    return fits ? Math.floor((at + risen + added) / size) : big(held, units);
  };
}
