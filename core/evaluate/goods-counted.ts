import type { ReadCart, ReadLine } from "../cart/read-cart.ts";
import { exactOf, type Horizon, type LinearAmount, linearAmount, max, minus, times } from "../money/linear-amount.ts";
import { compare, whole, ZERO } from "../money/rational.ts";
import type { LineFigure } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";

export const cartWithout = (cart: ReadCart, goods: (line: ReadLine) => boolean): ReadCart => ({
  ...cart,
  lines: cart.lines.filter((line) => !goods(line)),
});

/** Units begun past `start`; none of what is not known. */
export const begunPast = (count: number | null, start: number, unit: number): number =>
  count !== null && count > start ? Math.ceil((count - start) / unit) : 0;

/** What lines that count come to after their own discounts. */
export const goodsOf = (lines: readonly ReadLine[], counts: (line: ReadLine) => boolean): number =>
  lines.reduce((sum, line) => sum + (counts(line) ? line.shelf - line.discount : 0), 0);

/** Order discounts in closed form, taken from the goods asked about. */
export function goodsLeft(
  { discounts }: Pick<ReadCart, "discounts">,
  goods: LinearAmount,
  horizon: Horizon | null,
): LinearAmount {
  if (!discounts) return goods;
  return max(minus(times(goods, discounts.kept), linearAmount(discounts.off, ZERO)), 0, horizon);
}

export function lineReaches(line: ReadLine, figure: LineFigure, least: number): Truth {
  if (figure !== "weight") return line[figure] >= least;
  return line.weight === null ? null : compare(exactOf(line.weight), whole(least)) >= 0;
}
