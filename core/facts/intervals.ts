/** A half-open range of numbers; null on a side: without end. */
export type Range = { readonly from: number | null; readonly until: number | null };

/** Whole numbers as half-open stretches, apart and in order. Null on a side: without end. */
export type Intervals = readonly Range[];

export const EVERYTHING: Intervals = [{ from: null, until: null }];

const low = ({ from }: Range) => from ?? Number.NEGATIVE_INFINITY;
const high = ({ until }: Range) => until ?? Number.POSITIVE_INFINITY;

/** What lies in both. @example meet([{ from: 0, until: 5 }], [{ from: 3, until: null }]) // [{ from: 3, until: 5 }] */
export function meet(a: Intervals, b: Intervals): Intervals {
  return a
    .flatMap((x) =>
      b.flatMap((y): Range[] => {
        const [from, until] = [Math.max(low(x), low(y)), Math.min(high(x), high(y))];
        return from < until
          ? [{ from: Number.isFinite(from) ? from : null, until: Number.isFinite(until) ? until : null }]
          : [];
      }),
    )
    .sort((x, y) => low(x) - low(y));
}

/** @example includes([{ from: 0, until: 5 }], 5) // false */
export const includes = (a: Intervals, value: number): boolean =>
  a.some((range) => low(range) <= value && value < high(range));

/** Everything that does not lie in it. */
export function complement(a: Intervals): Intervals {
  return a.reduce<Intervals>(
    (rest, range) =>
      meet(rest, [
        ...(range.from === null ? [] : [{ from: null, until: range.from }]),
        ...(range.until === null ? [] : [{ from: range.until, until: null }]),
      ]),
    EVERYTHING,
  );
}

/** Figures worth trying of each stretch: its first, one more, the middle, its last. */
export function samples(a: Intervals, least: number, most: number): number[] {
  const found = meet(a, [{ from: least, until: most + 1 }]).flatMap(({ from, until }) => {
    const [first, last] = [from ?? least, (until ?? most + 1) - 1];
    return [first, first + 1, Math.floor((first + last) / 2), last].filter((value) => value >= first && value <= last);
  });
  return [...new Set(found)];
}
