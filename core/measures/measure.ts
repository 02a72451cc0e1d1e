import { isOrdinary, isShipped, type ReadCart, type ReadLine } from "../cart/read-cart.ts";
import type { AmountContext } from "../money/amount.ts";
import { exactOf, type LinearAmount, plus, rounded, times } from "../money/linear-amount.ts";
import { ceil, divide, fraction, type Rational, whole } from "../money/rational.ts";
import { milligrams } from "../quantities/quantity.ts";
import { type GoodsFilter, goodsFilter } from "./goods-filter.ts";
import { gramLitres, type LadderMeasure, type MeasureSpec, onlyOf, type Scope } from "./measure-spec.ts";
import { pickGoods } from "./only-goods.ts";
import { compileMeasure, countedValue, type ValueMeasure } from "./value-measure.ts";

/** A measure compiled for one zone. Counts are whole units; null where a weight, a size or the place is not known. */
export type Measure =
  | { readonly kind: "value"; readonly value: ValueMeasure }
  /** `even`: with every piece, or every milligram, that is added it rises by the same. */
  | {
      readonly kind: "count";
      readonly count: (lines: readonly ReadLine[]) => number | null;
      readonly even: boolean;
      /** How far rounding keeps it from rising by the same: with every milligram, in the long run, it rises by one or not at all. */
      readonly stray?: number;
      /** Prices of a piece at which it begins or ceases to count. */
      readonly turns?: readonly number[];
    }
  | { readonly kind: "distance"; readonly from: string };

export function compileSpec(
  spec: MeasureSpec | LadderMeasure | { kind: "lines" },
  scope: Scope,
  pricesIncludeTax: boolean,
  standardTax: Rational,
  context: AmountContext,
): Measure {
  const inScope = { all: () => true, shipped: isShipped, ordinary: isOrdinary }[scope];
  const only = spec.kind === "lines" ? undefined : onlyOf(spec);
  // Without an amount for the price of a piece nothing is known to be among them.
  const goods = only && pickGoods(only, context);
  const picked = only ? (goods?.has ?? (() => false)) : null;
  const among = (counts: GoodsFilter) => (line: ReadLine) =>
    inScope(line) && counts(line) && (picked === null || picked(line));
  switch (spec.kind) {
    case "value":
      return { kind: "value", value: compileMeasure(spec.basis, pricesIncludeTax, standardTax, picked) };
    case "distance":
      return { kind: "distance", from: spec.from };
    case "lines":
      return { kind: "count", count: (lines) => lines.length, even: true };
    case "items": {
      const counts = among(goodsFilter(spec.leavesOut));
      return {
        kind: "count",
        count: (lines) => lines.reduce((sum, line) => sum + (counts(line) ? line.quantity : 0), 0),
        even: true,
        ...(goods && goods.turns.length > 0 ? { turns: goods.turns } : {}),
      };
    }
    case "weight": {
      const counts = among(goodsFilter(spec.leavesOut));
      const pack = packed(spec);
      const even = !spec.packing && !spec.roundUpTo;
      const stray = spec.roundUpTo ? rounded(milligrams(spec.roundUpTo)) : 1;
      return { kind: "count", count: (lines) => pack(totalOf(lines, counts, "weight")), even, stray };
    }
    case "volume":
      return { kind: "count", count: (lines) => wholeUnits(totalOf(lines, inScope, "volume")), even: true };
    case "volumetric-weight":
    case "chargeable-weight": {
      const pack = packed(spec);
      const actual = spec.kind === "chargeable-weight";
      const divisor = fraction(1000, spec.divisor ?? 5000);
      return {
        kind: "count",
        count: (lines) => {
          const volume = totalOf(lines, inScope, "volume");
          const volumetric = volume === null ? null : pack(times(volume, divisor));
          if (!actual || volumetric === null) return volumetric;
          const weight = pack(totalOf(lines, inScope, "weight"));
          return weight === null ? null : Math.max(volumetric, weight);
        },
        even: false,
      };
    }
    case "weight-volume":
      return {
        kind: "count",
        count: (lines) => {
          const [weight, volume] = [totalOf(lines, inScope, "weight"), totalOf(lines, inScope, "volume")];
          return weight === null || volume === null ? null : gramLitres(rounded(weight), rounded(volume));
        },
        even: false,
      };
  }
}

function totalOf(
  lines: readonly ReadLine[],
  counts: (line: ReadLine) => boolean,
  what: "weight" | "volume",
): LinearAmount | null {
  let total: LinearAmount = 0;
  for (const line of lines) {
    if (!counts(line)) continue;
    const each = line[what];
    if (each === null) return null;
    total = plus(total, typeof each === "number" ? each * line.quantity : times(each, whole(line.quantity)));
  }
  return total;
}

const wholeUnits = (total: LinearAmount | null) => (total === null ? null : rounded(total));

/** Packing is added where there is something to pack; the exact sum is rounded once, to the milligram or up as asked. */
function packed({
  packing,
  roundUpTo,
}: {
  packing?: Parameters<typeof milligrams>[0];
  roundUpTo?: Parameters<typeof milligrams>[0];
}) {
  const extra = packing ? milligrams(packing) : 0;
  const step = roundUpTo ? rounded(milligrams(roundUpTo)) : 0;
  return (total: LinearAmount | null): number | null => {
    if (total === null) return null;
    const exact = total === 0 ? 0 : plus(total, extra);
    return step > 0 ? ceil(divide(exactOf(exact), whole(step))) * step : rounded(exact);
  };
}

/** What a measure counts in a cart. @param distances metres from each location, null while the place is not known */
export function counted(measure: Measure, cart: ReadCart, distances: ReadonlyMap<string, number>): number | null {
  switch (measure.kind) {
    case "value":
      return countedValue(measure.value, cart);
    case "count":
      return measure.count(cart.lines);
    case "distance":
      return distances.get(measure.from) ?? null;
  }
}
