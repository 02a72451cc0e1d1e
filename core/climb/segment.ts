import type { ReadCart, ReadLine } from "../cart/read-cart.ts";
import { type CartGrowth, discountOf, growByFiller, growByLine } from "../evaluate/cart-growth.ts";
import type { Terms } from "../evaluate/evaluation.ts";
import type { Tariff } from "../tariff/tariff.ts";

/** A part of the climb on which goods of one kind are added: shelf values from `after` + 1 to `after` + `length`. */
export type Segment = {
  readonly after: number;
  readonly length: number;
  readonly growth: CartGrowth;
  /** Whether everything that is seen after so many units is as it was a unit before. */
  readonly isAsBefore: (units: number) => boolean;
  /** The last of the units from one on that are alike but for their worth. */
  readonly lastAlike: (units: number) => number;
};

/** The parts of the climb of a cart: line by line, then filler. @param to the last shelf value */
export function segmentsOf(terms: Terms, sample: ReadCart, to: number): Segment[] {
  const segments: Segment[] = [];
  const turns = priceTurns(terms.tariff);
  let after = 0;
  const push = (length: number, growth: CartGrowth) => {
    if (length > 0) segments.push(segmentOf(growth, after, length, turns));
    after += Math.max(0, length);
  };
  // Lines worth nothing come along with the next that is worth something.
  sample.lines.forEach((next, i) => {
    const before = { ...sample, lines: sample.lines.slice(0, i) };
    push(Math.min(next.shelf, to - after), growByLine(terms, before, next));
  });
  push(to - after, growByFiller(terms, sample, { kind: "value" }));
  return segments;
}

function segmentOf(growth: CartGrowth, after: number, length: number, turns: readonly number[]): Segment {
  // The whole line is not like the parts of it.
  const end = growth.length === null ? length : Math.min(length, growth.length - 1);
  const lastAlike = (units: number) =>
    Math.min(end, (turns.find((turn) => turn > units) ?? Number.POSITIVE_INFINITY) - 1);
  return { after, length, growth, isAsBefore: changesNothing(growth), lastAlike };
}

/**
 * Whether a unit more of a line leaves all that anybody looks at as it was: where nothing is seen of it but what is paid for it, and its
 * discount takes the whole unit.
 */
function changesNothing({ tariff, next, length }: CartGrowth): (units: number) => boolean {
  if (!next || next.discount === 0 || length === null || !seesOnlyWorth(tariff, next)) return () => false;
  return (units) => {
    const before = discountOf(next, units - 1);
    // Goods that are reduced are seen for that.
    return units < length && before > 0 && discountOf(next, units) > before;
  };
}

function seesOnlyWorth({ seesLineFigures, measures }: Tariff, line: ReadLine): boolean {
  if (seesLineFigures) return false;
  return measures.every((measure) => {
    if (measure.kind === "value") return measure.value.lineDiscounts || !measure.value.counts(line);
    return measure.kind !== "count" || !measure.turns;
  });
}

/** Prices of a piece at which goods begin or cease to be among those that something counts, in order. */
const priceTurns = ({ measures, offers }: Tariff): number[] =>
  [
    ...measures.flatMap((measure) => (measure.kind === "count" ? (measure.turns ?? []) : [])),
    ...offers.flatMap(({ steps }) => steps.flatMap(({ reward }) => reward?.goods?.turns ?? [])),
  ].sort((a, b) => a - b);
