import type { OrderDiscounts } from "../cart/order-discount.ts";
import type { ReadCart, ReadLine } from "../cart/read-cart.ts";
import { add, divide, ONE, type Rational, reduce, timesWhole, ZERO } from "../money/rational.ts";
import { type Basis, codesIn } from "./basis.ts";
import { goodsFilter } from "./goods-filter.ts";
import { type ValuePath, valueAt } from "./value-path.ts";

/** A basis compiled for one zone: which lines count, and what one unit of a line counts after tax. */
export type ValueMeasure = {
  readonly lineDiscounts: boolean;
  /** The discounts on the order that are taken off first; null: none of them. */
  readonly takenOff: (cart: ReadCart) => OrderDiscounts | null;
  readonly counts: (line: ReadLine) => boolean;
  readonly taxed: (rate: Rational | null) => Rational;
};

/** @param picked the goods that alone count; null: all */
export function compileMeasure(
  basis: Basis,
  pricesIncludeTax: boolean,
  standardTax: Rational,
  picked: ((line: ReadLine) => boolean) | null = null,
): ValueMeasure {
  const left = goodsFilter(basis.leavesOut);
  return {
    lineDiscounts: basis.lineDiscounts === "in",
    takenOff: takenOff(basis),
    counts: picked ? (line) => left(line) && picked(line) : left,
    taxed: taxFactor(basis.tax === "with", pricesIncludeTax, standardTax),
  };
}

function takenOff(basis: Basis): ValueMeasure["takenOff"] {
  const [others, codes] = [basis.orderDiscounts === "in", codesIn(basis) === "in"];
  if (others && codes) return ({ discounts }) => discounts;
  if (others) return ({ ofOthers }) => ofOthers;
  return codes ? ({ ofCodes }) => ofCodes : () => null;
}

/** What turns a price as the market writes it into a price as the basis counts it. */
function taxFactor(withTax: boolean, pricesIncludeTax: boolean, standardTax: Rational): ValueMeasure["taxed"] {
  if (withTax === pricesIncludeTax) return () => ONE;
  const factor = (rate: Rational): Rational => (withTax ? add(ONE, rate) : divide(ONE, add(ONE, rate)));
  const standard = factor(standardTax);
  return (rate) => (rate === null ? standard : factor(rate));
}

/**
 * The path of a measure from a cart onwards, as units of `next` are added: a line of a sample cart taken bit by bit,
 * or filler when `next` is null.
 */
export function valuePath(measure: ValueMeasure, cart: ReadCart, next: ReadLine | null): ValuePath {
  const discounts = measure.takenOff(cart);
  const spread = next && next.discount > 0 ? { amount: next.discount, of: next.shelf } : null;
  return {
    start: exactValue(measure, cart.lines),
    rate: next && !measure.counts(next) ? ZERO : measure.taxed(next?.taxRate ?? null),
    lineDiscount: measure.lineDiscounts ? spread : null,
    order: discounts ? { goods: goodsValue(cart.lines), discounts, lineDiscount: spread } : null,
  };
}

/**
 * The same where every unit added counts as one or as nothing and no discount moves with it, as most do: what is counted
 * before any, and what each adds. Null where it is not so.
 */
export function evenPath(
  measure: ValueMeasure,
  cart: ReadCart,
  next: ReadLine | null,
): { readonly start: number; readonly slope: 0 | 1 } | null {
  if (measure.takenOff(cart) || (measure.lineDiscounts && next && next.discount > 0)) return null;
  const start = plainSum(measure, cart.lines);
  if (start === null) return null;
  if (next && !measure.counts(next)) return { start, slope: 0 };
  return measure.taxed(next?.taxRate ?? null) === ONE ? { start, slope: 1 } : null;
}

/** What the lines count where no tax has to be put on or taken out; else null. */
function plainSum({ counts, lineDiscounts, taxed }: ValueMeasure, lines: readonly ReadLine[]): number | null {
  let sum = 0;
  for (const line of lines) {
    if (!counts(line)) continue;
    if (taxed(line.taxRate) !== ONE) return null;
    sum += line.shelf - (lineDiscounts ? line.discount : 0);
  }
  return sum;
}

/** What a basis counts of a cart, in whole minor units. */
export function countedValue(measure: ValueMeasure, cart: ReadCart): number {
  const plain = measure.takenOff(cart) ? null : plainSum(measure, cart.lines);
  return plain ?? valueAt(valuePath(measure, cart, null), 0);
}

/** What lines cost together after their own discounts, as the market writes prices: the sum order discounts take from. */
export function goodsValue(lines: readonly ReadLine[]): number {
  return lines.reduce((sum, line) => sum + line.shelf - line.discount, 0);
}

/** The exact sum of counted lines with their tax; whole minor units are summed per tax rate first. */
function exactValue(measure: ValueMeasure, lines: readonly ReadLine[]): Rational {
  const byRate: { readonly rate: Rational | null; sum: number }[] = [];
  for (const line of lines) {
    if (!measure.counts(line)) continue;
    const worth = line.shelf - (measure.lineDiscounts ? line.discount : 0);
    const known = byRate.find(({ rate }) => rate?.n === line.taxRate?.n && rate?.d === line.taxRate?.d);
    if (known) known.sum += worth;
    else byRate.push({ rate: line.taxRate, sum: worth });
  }
  let total = ZERO;
  for (const { rate, sum } of byRate) total = add(total, reduce(timesWhole(measure.taxed(rate), sum)));
  return total;
}
