import type { ReadCart, ReadLine } from "../cart/read-cart.ts";
import { add, divide, multiply, ONE, type Rational, reduce, whole, ZERO } from "../money/rational.ts";
import type { Basis } from "./basis.ts";
import type { ValuePath } from "./value-path.ts";

/** A basis compiled for one zone: which lines count, and what one unit of a line counts after tax. */
export type ValueMeasure = {
  readonly lineDiscounts: boolean;
  readonly orderDiscounts: boolean;
  readonly counts: (line: Pick<ReadLine, "categories" | "tags">) => boolean;
  readonly taxed: (rate: Rational | null) => Rational;
};

export function compileMeasure(basis: Basis, pricesIncludeTax: boolean, standardTax: Rational): ValueMeasure {
  const categories = new Set(basis.leavesOut?.categories);
  const tags = new Set(basis.leavesOut?.tags);
  return {
    lineDiscounts: basis.lineDiscounts === "in",
    orderDiscounts: basis.orderDiscounts === "in",
    counts: (line) =>
      !line.categories.some((name) => categories.has(name)) && !line.tags.some((name) => tags.has(name)),
    taxed: taxFactor(basis.tax === "with", pricesIncludeTax, standardTax),
  };
}

/** What turns a price as the market writes it into a price as the basis counts it. */
function taxFactor(withTax: boolean, pricesIncludeTax: boolean, standardTax: Rational): ValueMeasure["taxed"] {
  if (withTax === pricesIncludeTax) return () => ONE;
  const plus = (rate: Rational | null) => add(ONE, rate ?? standardTax);
  return withTax ? plus : (rate) => divide(ONE, plus(rate));
}

/**
 * The path of a measure from a cart onwards, as units of `next` are added: a line of a sample cart taken bit by bit,
 * or filler when `next` is null.
 */
export function valuePath(measure: ValueMeasure, cart: ReadCart, next: ReadLine | null): ValuePath {
  const spread = next && next.discount > 0 ? { amount: BigInt(next.discount), of: BigInt(next.shelf) } : null;
  return {
    start: countedValue(measure, cart.lines),
    rate: next && !measure.counts(next) ? ZERO : measure.taxed(next?.taxRate ?? null),
    lineDiscount: measure.lineDiscounts ? spread : null,
    order:
      measure.orderDiscounts && cart.discounts
        ? { goods: BigInt(goodsValue(cart.lines)), discounts: cart.discounts, lineDiscount: spread }
        : null,
  };
}

/** What lines cost together after their own discounts, as the market writes prices: the sum order discounts take from. */
export function goodsValue(lines: readonly ReadLine[]): number {
  return lines.reduce((sum, line) => sum + line.shelf - line.discount, 0);
}

/** The exact sum of counted lines with their tax; whole minor units are summed per tax rate first. */
function countedValue(measure: ValueMeasure, lines: readonly ReadLine[]): Rational {
  const byRate = new Map<string, { rate: Rational | null; sum: number }>();
  for (const line of lines) {
    if (!measure.counts(line)) continue;
    const key = line.taxRate ? `${line.taxRate.n}/${line.taxRate.d}` : "";
    const entry = byRate.get(key) ?? { rate: line.taxRate, sum: 0 };
    entry.sum += line.shelf - (measure.lineDiscounts ? line.discount : 0);
    byRate.set(key, entry);
  }
  return [...byRate.values()].reduce(
    (total, { rate, sum }) => add(total, reduce(multiply(whole(sum), measure.taxed(rate)))),
    ZERO,
  );
}
