import { type LineNeed, NO_NEED } from "../../conditions/constraint.ts";
import { askedOf, namesFor, numbersFor } from "../../facts/asked.ts";
import { enteredCodes } from "../../facts/cart/codes.ts";
import { itemCount } from "../../facts/cart/items.ts";
import { lineCount } from "../../facts/cart/lines.ts";
import { cartWeight } from "../../facts/cart/weight.ts";
import type { Fact } from "../../facts/fact.ts";
import { EVERYTHING, type Intervals, meet, samples } from "../../facts/intervals.ts";
import { percent } from "../../money/decimal.ts";
import type { Cart, CartLine } from "../../request/request.ts";
import type { Constraints } from "../constraints.ts";
import { both, type LineShape, shapeFor } from "../line-shape.ts";
import type { ZoneContext } from "../world.ts";

const MOST_LINES = 500;
const MOST_PIECES = 100_000;
const HUGE = 10_000_000_000;

/** Carts with the lines that are asked for, and as few, dear and heavy as their totals have to be; undefined: there can be none. */
export function cartsFor(where: ZoneContext, constraints: Constraints): Iterable<Cart> | undefined {
  const fitting = arrangements(constraints).flatMap((shapes) => filledUp(shapes, constraints));
  if (fitting.length === 0) return undefined;
  const codes = namesFor(askedOf(constraints, enteredCodes));
  const entered = codes.length > 0 ? { codes: [...codes] } : {};
  const [weight = 0] = numbersFor(askedOf(constraints, cartWeight), HUGE * 1000) ?? [];
  return (function* () {
    for (const { shapes, items } of fitting)
      for (const total of totalsFor(where, constraints, shapes, items))
        yield { lines: linesOf(shapes, items, total, weight), ...entered };
  })();
}

/** Lines that meet all needs, in every way of having one line meet several. */
const arrangements = (constraints: Constraints): LineShape[][] =>
  partitions(constraints.lines).flatMap((groups) => {
    const shapes = groups.map((needs, i) => shapeFor([...needs, constraints.everyLine].reduce(both, NO_NEED), i + 1));
    const whole = shapes.filter((shape) => shape !== null);
    return whole.length === shapes.length ? [whole] : [];
  });

type Filled = { readonly shapes: readonly LineShape[]; readonly items: number };

/** The same with as many more lines and pieces as are asked for. */
function filledUp(shapes: readonly LineShape[], constraints: Constraints): Filled[] {
  const lineCounts = numbersWithin(constraints, lineCount, MOST_LINES);
  const pieces = numbersWithin(constraints, itemCount, MOST_PIECES);
  const spare = shapeFor(constraints.everyLine, 90);
  const few = shapes.length;
  const counts = [...samples(lineCounts, few, few + 3), ...samples(lineCounts, few, MOST_LINES).slice(0, 1)];
  return [...new Set(counts)].flatMap((count) => {
    if (count > few && !spare) return [];
    const more = spare ? Array.from({ length: count - few }, (_, i) => asSpare(spare, i)) : [];
    const padded = [...shapes, ...more];
    if (padded.length === 0 && !mayBeEmpty(constraints)) return [];
    const sum = (of: (shape: LineShape) => number) => padded.reduce((all, shape) => all + of(shape), 0);
    const [fewest, most] = [sum(({ quantity }) => leastOf(quantity)), sum(({ quantity }) => mostOf(quantity))];
    return samples(pieces, fewest, Math.min(most, MOST_PIECES))
      .slice(0, 3)
      .map((items) => ({ shapes: padded, items }));
  });
}

const numbersWithin = (constraints: Constraints, fact: Fact, most: number): Intervals =>
  meet(askedOf(constraints, fact).numbers ?? EVERYTHING, [{ from: 0, until: most + 1 }]);

/** An empty cart is worth nothing and weighs nothing. */
function mayBeEmpty(constraints: Constraints): boolean {
  const zero: Intervals = [{ from: 0, until: 1 }];
  const asked = [...constraints.values.map(({ within }) => within), numbersWithin(constraints, cartWeight, HUGE)];
  return asked.every((within) => meet(within, zero).length > 0);
}

/** One more line of a kind: by another SKU, unless it has to be that one. */
const asSpare = (shape: LineShape, number: number): LineShape =>
  shape.anySku ? { ...shape, line: { ...shape.line, sku: `spare-${number}` } } : shape;

const leastOf = (intervals: Intervals) => samples(intervals, 0, HUGE)[0] ?? 0;
const mostOf = (intervals: Intervals) => samples(intervals, 0, HUGE).at(-1) ?? 0;

/** Ways to have several needs met by fewer lines, each need by one of its own first. */
function partitions(needs: readonly LineNeed[]): LineNeed[][][] {
  const [first, ...rest] = needs;
  if (!first) return [[]];
  if (needs.length > 6) return [needs.map((need) => [need])];
  return partitions(rest).flatMap((groups) => [
    [[first], ...groups],
    ...groups.map((_, i) => groups.map((group, j) => (i === j ? [first, ...group] : group))),
  ]);
}

/** Totals worth trying, in minor units as the market writes prices. */
function totalsFor(
  { market, zone }: ZoneContext,
  { values }: Constraints,
  shapes: readonly LineShape[],
  items: number,
): number[] {
  if (shapes.length === 0) return [0];
  const least = shapes.reduce((sum, shape) => sum + leastOf(shape.price) * leastOf(shape.quantity), 0);
  if (values.length === 0) return [Math.max(least, items * 100), least];
  const rate = percent(zone.standardTaxRate);
  const tax = rate ? 1 + Number(rate.n) / Number(rate.d) : 1;
  const targets = values.flatMap(({ basis, within }) => {
    const scale = (basis.tax === "with") === market.pricesIncludeTax ? 1 : basis.tax === "with" ? 1 / tax : tax;
    return samples(within, 0, HUGE).flatMap((target) =>
      [0, -1, 1].map((by) => Math.max(0, Math.round(target * scale) + by)),
    );
  });
  return [...new Set(targets)];
}

/** Lines of so many pieces, worth and weighing so much together, as far as they can. */
function linesOf(shapes: readonly LineShape[], items: number, total: number, weight: number): CartLine[] {
  const quantities = shapes.map((shape) => leastOf(shape.quantity));
  let left = items - quantities.reduce((sum, quantity) => sum + quantity, 0);
  shapes.forEach((shape, i) => {
    const room = Math.min(left, mostOf(shape.quantity) - (quantities[i] ?? 0));
    quantities[i] = (quantities[i] ?? 0) + Math.max(0, room);
    left -= Math.max(0, room);
  });
  const prices = shapes.map((shape) => leastOf(shape.price));
  let money = total - prices.reduce((sum, price, i) => sum + price * (quantities[i] ?? 1), 0);
  // Most of the worth goes where one piece can carry it to the unit.
  const order = shapes.map((_, i) => i).sort((a, b) => (quantities[a] ?? 1) - (quantities[b] ?? 1));
  for (const i of order) {
    const quantity = quantities[i] ?? 1;
    const room = Math.min(
      Math.floor(Math.max(0, money) / quantity),
      mostOf(shapes[i]?.price ?? EVERYTHING) - (prices[i] ?? 0),
    );
    if (room > 0) {
      prices[i] = (prices[i] ?? 0) + room;
      money -= room * quantity;
    }
  }
  const heavy = shapes.findIndex(({ line }) => line.delivery?.kind !== "nothing-to-ship");
  return shapes.map(({ line, weight: own }, i): CartLine => {
    const asked = i === heavy && weight > 0 ? Math.floor(weight / (quantities[i] ?? 1)) : leastOf(own);
    return {
      ...line,
      quantity: quantities[i] ?? 1,
      unitPrice: prices[i] ?? 0,
      weight: { value: String(asked), unit: "mg" },
    };
  });
}
