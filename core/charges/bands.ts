import { type Static, Type } from "@sinclair/typebox";
import { Basis } from "../measures/basis.ts";
import { Edge, leastValue } from "../measures/threshold.ts";
import { Amount, type AmountContext, type AmountReferences, amountFor, amountProblems } from "../money/amount.ts";
import { closed } from "../plan/atoms.ts";
import type { Problem } from "../plan/problem.ts";
import type { ChargeContext, Charged, CompiledCharge } from "./charged.ts";

const BandPrice = Type.Union([Amount, Type.Literal("free"), Type.Literal("not-offered")], { title: "BandPrice" });
type BandPrice = Static<typeof BandPrice>;

/**
 * A price by cart value. Only the edges are stored, so bands can neither overlap nor leave a gap; the last band is open.
 *
 * @example up to 30 costs 4, from 30 costs 7, from 75 is free:
 * { kind: "bands", basis, first: { byCurrency: { EUR: "4" } }, edges: [
 *   { edge: "from", at: { byCurrency: { EUR: "30" } }, price: { byCurrency: { EUR: "7" } } },
 *   { edge: "from", at: { byCurrency: { EUR: "75" } }, price: "free" } ] }
 */
export const BandedCharge = Type.Object(
  {
    kind: Type.Literal("bands"),
    basis: Basis,
    first: BandPrice,
    edges: Type.Array(Type.Object({ edge: Edge, at: Amount, price: BandPrice }, closed), { maxItems: 200 }),
  },
  { ...closed, title: "BandedCharge" },
);
export type BandedCharge = Static<typeof BandedCharge>;

export function compileBands(charge: BandedCharge, context: ChargeContext): CompiledCharge {
  const bands = charge.edges.flatMap(({ at, edge, price }) => {
    const value = amountFor(at, context);
    return value === undefined ? [] : [{ least: leastValue(value, edge), price: priceOf(price, context) }];
  });
  // Without every edge nobody can say which band a cart falls in.
  if (bands.length < charge.edges.length) return { price: () => "no-amount", thresholds: [], seesLines: false };
  bands.sort((a, b) => a.least - b.least);
  const starts = bands.map((band) => band.least);
  const prices = [priceOf(charge.first, context), ...bands.map((band) => band.price)];
  const measure = context.measureNumber({ kind: "value", basis: charge.basis });
  return {
    price: ({ counted }) => prices[bandOf(starts, counted[measure] ?? 0)] ?? "no-amount",
    thresholds: starts.map((least) => ({ measure, least })),
    seesLines: false,
  };
}

function priceOf(price: BandPrice, context: AmountContext): Charged {
  if (price === "free") return 0;
  if (price === "not-offered") return price;
  return amountFor(price, context) ?? "no-amount";
}

/** How many of the ascending starts `value` has reached, by halving. */
function bandOf(starts: readonly number[], value: number): number {
  let low = 0;
  let high = starts.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((starts[middle] ?? Number.POSITIVE_INFINITY) <= value) low = middle + 1;
    else high = middle;
  }
  return low;
}

export function bandsProblems(
  charge: BandedCharge,
  path: string,
  references: AmountReferences,
  contexts: readonly AmountContext[],
): Problem[] {
  const prices = [
    { price: charge.first, path: `${path}/first` },
    ...charge.edges.map(({ price }, i) => ({ price, path: `${path}/edges/${i}/price` })),
  ];
  return [
    ...prices.flatMap((band) =>
      typeof band.price === "string" ? [] : amountProblems(band.price, band.path, references),
    ),
    ...charge.edges.flatMap(({ at }, i) => amountProblems(at, `${path}/edges/${i}/at`, references)),
    ...contexts.flatMap((context) => sameStartProblems(charge, path, context)),
  ];
}

/** No two edges start a band at the same value, in any market and currency; `from` and `above` one value differ. */
function sameStartProblems(charge: BandedCharge, path: string, context: AmountContext): Problem[] {
  const seen = new Set<number>();
  return charge.edges.flatMap(({ at, edge }, i) => {
    const value = amountFor(at, context);
    if (value === undefined) return [];
    const start = leastValue(value, edge);
    if (seen.has(start)) {
      return [{ path: `${path}/edges/${i}/at`, message: `another edge starts at the same ${context.currency} value` }];
    }
    seen.add(start);
    return [];
  });
}
