import { type ReadCart, type ReadLine, readFiller } from "../cart/read-cart.ts";
import { counted, type Measure } from "../measures/measure.ts";
import { evenPath, valuePath } from "../measures/value-measure.ts";
import {
  discountOfPart,
  firstCrossing,
  forGoodFrom,
  LOOKED_AHEAD,
  longRun,
  roundedTo,
  settledFrom,
  type ValuePath,
  valueAt,
} from "../measures/value-path.ts";
import { type Rational, timesWhole, whole, ZERO } from "../money/rational.ts";
import { nextNumber } from "../situation/situation.ts";
import type { Filler } from "../tariff/tariff-offer.ts";
import type { Evaluation, Terms } from "./evaluation.ts";
import { KeptAnswers } from "./kept.ts";

/**
 * Goods of one kind being added to a cart one unit at a time: filler without end, or a line of a sample cart bit by bit
 * until it is whole. Which figure of the added line moves with each unit depends on what is added.
 */
export type CartGrowth = Terms & {
  readonly before: ReadCart;
  readonly lineAt: (units: number) => ReadLine;
  readonly moves: "unitPrice" | "quantity" | "weight";
  /** Units until the added line is whole; null: it goes on. */
  readonly length: number | null;
  readonly next: ReadLine | null;
  /** Stands for what the lines are, whatever is worked out about them; see `Situation`. */
  readonly linesAs: number;
  readonly paths: (MeasurePath | undefined)[];
  readonly kept: KeptAnswers;
  /** What has been evaluated of it, by units added: see `evaluateFiller`. */
  readonly evaluated: Map<number, Evaluation>;
};

export function growByFiller(
  { tariff, facts, unknownAs }: Terms,
  before: ReadCart,
  { kind, like }: Filler,
): CartGrowth {
  return {
    tariff,
    facts,
    unknownAs,
    before,
    lineAt: (units) => readFiller(kind, units, like),
    moves: ({ value: "unitPrice", items: "quantity", weight: "weight" } as const)[kind],
    length: null,
    next: null,
    linesAs: nextNumber(),
    paths: [],
    kept: new KeptAnswers(),
    evaluated: new Map(),
  };
}

/** Part of a line carries its share of the line's discount, rounded down. */
export const discountOf = ({ discount, shelf }: ReadLine, units: number): number =>
  discountOfPart(units, { amount: discount, of: shelf });

/** A line of a sample cart: worth `units`, with its share of the line's discount rounded down, until it is whole. */
export function growByLine({ tariff, facts, unknownAs }: Terms, before: ReadCart, next: ReadLine): CartGrowth {
  const lineAt = (units: number): ReadLine =>
    units >= next.shelf
      ? next
      : {
          ...next,
          quantity: 1,
          unitPrice: units,
          shelf: units,
          discount: discountOf(next, units),
        };
  return {
    tariff,
    facts,
    unknownAs,
    before,
    lineAt,
    moves: "unitPrice",
    length: next.shelf,
    next,
    linesAs: nextNumber(),
    paths: [],
    kept: new KeptAnswers(),
    evaluated: new Map(),
  };
}

/** Filler added to one cart, so that what is kept of it serves every offer: a tariff's offers share their {@link Filler}. */
export function fillersFor(terms: Terms, before: () => ReadCart): (filler: Filler) => CartGrowth {
  const known = new Map<Filler, CartGrowth>();
  return (filler) => {
    const growth = known.get(filler) ?? growByFiller(terms, before(), filler);
    known.set(filler, growth);
    return growth;
  };
}

/** The same goods added to another cart. */
export const growthOf = (growth: CartGrowth, before: ReadCart): CartGrowth => ({
  ...growth,
  before,
  linesAs: nextNumber(),
  paths: [],
  kept: new KeptAnswers(),
  evaluated: new Map(),
});

export function cartAfter({ before, lineAt }: CartGrowth, units: number): ReadCart {
  if (units === 0) return before;
  const { lines, discounts, ofCodes, ofOthers } = before;
  return { lines: [...lines, lineAt(units)], discounts, ofCodes, ofOthers };
}

/** A measure while a cart grows. Only values with tax or discounts in them need an account of how they move. */
export type MeasurePath =
  | {
      readonly kind: "value";
      readonly path: ValuePath;
      /** The last one found after so many units, by what was to be reached. */
      readonly next: Map<number, { readonly after: number; readonly turn: number | null }>;
    }
  | { readonly kind: "still"; readonly begun: number | null; readonly whole: number | null }
  /** `first` after one unit and `slope` more with each, or, where it does not rise evenly, whatever `at` says. */
  | { readonly kind: "even"; readonly first: number; readonly slope: number }
  | { readonly kind: "rising"; readonly at: (units: number) => number | null }
  /** The same until one of the turns, in either direction. */
  | { readonly kind: "stepped"; readonly at: (units: number) => number | null; readonly turns: readonly number[] };

export function pathOf(growth: CartGrowth, number: number): MeasurePath {
  const known = growth.paths[number];
  if (known) return known;
  const measure = growth.tariff.measures[number];
  if (!measure) throw new RangeError(`there is no measure ${number}`);
  const path = newPath(growth, measure);
  growth.paths[number] = path;
  return path;
}

function newPath(growth: CartGrowth, measure: Measure): MeasurePath {
  const at = (units: number) => counted(measure, cartAfter(growth, units), growth.facts.distances);
  if (measure.kind === "value" && growth.moves === "unitPrice") {
    const next = growth.next ?? growth.lineAt(1);
    const even = evenPath(measure.value, growth.before, next);
    if (even) return { kind: "even", first: even.start + even.slope, slope: even.slope };
    return {
      kind: "value",
      path: valuePath(measure.value, growth.before, next),
      next: new Map(),
    };
  }
  const piece = growth.moves === "quantity" ? growth.lineAt(1) : null;
  // Pieces that cost something move values too: each is worth so many units of them.
  if (measure.kind === "value" && piece && piece.unitPrice > 0) {
    const { unitPrice } = piece;
    const even = evenPath(measure.value, growth.before, piece);
    if (even) return { kind: "even", first: even.start + even.slope * unitPrice, slope: even.slope * unitPrice };
    const path = valuePath(measure.value, growth.before, piece);
    return { kind: "rising", at: (units) => valueAt(path, units * unitPrice) };
  }
  if (measure.kind === "count" && growth.moves !== "unitPrice") {
    const [first, second] = [at(1), at(2)];
    if (first === null || second === null) return { kind: "still", begun: first, whole: first };
    return measure.even ? { kind: "even", first, slope: second - first } : { kind: "rising", at };
  }
  if (measure.kind === "count" && measure.turns)
    return { kind: "stepped", at, turns: [...measure.turns].sort((a, b) => a - b) };
  const begun = at(1);
  return { kind: "still", begun, whole: growth.length === null ? begun : at(growth.length) };
}

/** The count after so many units, one at least. */
export function countAt(growth: CartGrowth, number: number, units: number): number | null {
  const path = pathOf(growth, number);
  switch (path.kind) {
    case "value":
      return valueAt(path.path, units);
    case "still":
      return growth.length !== null && units >= growth.length ? path.whole : path.begun;
    case "even":
      return path.first + path.slope * (units - 1);
    case "rising":
    case "stepped":
      return path.at(units);
  }
}

/** The next number of units at which a stepped count turns; null for one that does not turn any more, or moves otherwise. */
export function nextTurn(growth: CartGrowth, number: number, units: number): number | null {
  const path = pathOf(growth, number);
  return path.kind === "stepped" ? (path.turns.find((turn) => turn > units) ?? null) : null;
}

/** What a count does in the long run: `slope` with every unit, never further from that than `stray`. */
export type LongRun = { readonly slope: Rational; readonly stray: Rational };

/** The long run of a count from so many units of filler on; null where nothing is known of it. */
export function longRunOf(growth: CartGrowth, number: number, units: number): LongRun | null {
  const path = pathOf(growth, number);
  const measure = growth.tariff.measures[number];
  if (growth.length !== null) return null;
  if (path.kind === "even") return { slope: whole(path.slope), stray: ZERO };
  if (path.kind === "value") return longRun(path.path, units);
  if (path.kind !== "rising" || !measure) return null;
  if (measure.kind === "value") {
    const piece = growth.lineAt(1);
    const run = longRun(valuePath(measure.value, growth.before, piece), units * piece.unitPrice);
    return run && { slope: timesWhole(run.slope, piece.unitPrice), stray: run.stray };
  }
  const [first, last] = [path.at(1), path.at(1 + LONGEST)];
  if (measure.kind !== "count" || measure.stray === undefined || first === null || last === null) return null;
  return { slope: whole(Math.round((last - first) / LONGEST)), stray: whole(measure.stray) };
}

/** The same text for counts that move alike, in carts with and without some goods; null where that is not told. */
export function alikeKey(growth: CartGrowth, number: number): string | null {
  const path = pathOf(growth, number);
  if (path.kind === "even") return [path.kind, path.first, path.slope].join();
  if (path.kind === "value") {
    const { start, rate, order } = path.path;
    const off = order && [order.goods, ...[order.discounts.kept, order.discounts.off].flatMap(({ n, d }) => [n, d])];
    return [path.kind, start.n, start.d, rate.n, rate.d, ...(off ?? [])].join();
  }
  return null;
}

/** Far beyond any cart, yet exact in a double. */
const LONGEST = 2 ** 40;

/**
 * The least number of units after `units` at which "at least `least`" turns, or null when it does not again before the
 * line is whole.
 */
export function nextCrossing(growth: CartGrowth, number: number, least: number, units: number): number | null {
  const path = pathOf(growth, number);
  switch (path.kind) {
    case "value":
      return nextOf(growth, path, least, units) ?? turnsForEver(growth, path.path, least, units);
    case "still":
      return null;
    case "stepped": {
      const reached = (at: number) => (path.at(at) ?? -1) >= least;
      return path.turns.find((turn) => turn > units && reached(turn) !== reached(units)) ?? null;
    }
    case "even": {
      if (path.slope === 0 || path.first + path.slope * (units - 1) >= least) return null;
      return 1 + Math.ceil((least - path.first) / path.slope);
    }
    case "rising": {
      const reached = (at: number) => (path.at(at) ?? 0) >= least;
      if (reached(units) || path.at(units) === null) return null;
      let high = Math.max(1, units);
      let low = units;
      while (!reached(high)) {
        if (high >= LONGEST) return null;
        low = high;
        high *= 2;
      }
      while (high - low > 1) {
        const middle = Math.floor((low + high) / 2);
        if (reached(middle)) high = middle;
        else low = middle;
      }
      return high;
    }
  }
}

/** For how many more units it stays as it is whether a count is at least so much. */
export const staysFor = (growth: CartGrowth, number: number, least: number, units: number): number =>
  (nextCrossing(growth, number, least, units) ?? Number.POSITIVE_INFINITY) - units - 1;

/** For how many more units as many steps of a count stay begun past `start`, each of so much. */
export function begunFor(
  growth: CartGrowth,
  number: number,
  { begun, start, unit }: { readonly begun: number; readonly start: number; readonly unit: number },
  units: number,
): number {
  const next = start + begun * unit + 1;
  const more = staysFor(growth, number, next, units);
  return begun > 0 ? Math.min(more, staysFor(growth, number, next - unit, units)) : more;
}

/** Past what was looked at, a value that turns for ever may turn with the very next unit. */
function turnsForEver(growth: CartGrowth, path: ValuePath, least: number, units: number): number | null {
  const looked = growth.length !== null || path.rate.n > 0 || settledFrom(path, roundedTo(least)) !== null;
  return looked ? null : Math.max(units, LOOKED_AHEAD) + 1;
}

/** Only as far as the next one: most are asked about once, where they are. */
function nextOf(
  growth: CartGrowth,
  path: MeasurePath & { kind: "value" },
  least: number,
  units: number,
): number | null {
  const before = path.next.get(least);
  if (before && before.after <= units && (before.turn === null || units < before.turn)) return before.turn;
  const turn = firstCrossing(path.path, least, units, growth.length);
  path.next.set(least, { after: units, turn });
  return turn;
}

/**
 * The least number of units, one at least, from which on the count is at least `least` for good; null when it never is.
 * Mixed tax rates under a rounded order discount can make a value dip by a unit: the last crossing is the one that lasts.
 */
export function crossing(growth: CartGrowth, number: number, least: number): number | null {
  const path = pathOf(growth, number);
  if (path.kind === "value") {
    const found = forGoodFrom(path.path, least, growth.length);
    // From there on it does not turn: whoever looks further is told so.
    if (found !== null) path.next.set(least, { after: found, turn: null });
    return found;
  }
  const reached = (units: number) => (countAt(growth, number, units) ?? -1) >= least;
  if (reached(1)) return 1;
  const turn = nextCrossing(growth, number, least, 1);
  return turn !== null && reached(turn) ? turn : null;
}
