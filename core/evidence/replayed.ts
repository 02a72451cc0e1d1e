import { NO_PRICE_WORDS, type NoPrice } from "../charges/no-price.ts";
import { phrase } from "../phrases/phrase.ts";

/** What orders come to under one plan; amounts in minor units. */
export type Sums = {
  /** Orders that it has a price for. */
  orders: number;
  delivery: number;
  /** Orders whose delivery costs nothing. */
  free: number;
  /** What the plan's offers take off. */
  givenAway: number;
};

/** Orders of one zone, option and group in one currency; amounts in its minor units. */
export type ReplayRow = {
  readonly currency: string;
  readonly zone: string;
  readonly option: string;
  /** What the orders were told apart by besides, such as a cluster; null where by nothing. */
  readonly group: number | null;
  /** What delivery was charged, and how many orders it cost nothing. */
  charged: number;
  freeBefore: number;
  /** What it would have been. */
  readonly now: Sums;
  /** The same under the plan beside; nothing where none is. */
  readonly beside: Sums;
  /** Orders that would have paid more, and less, than they did. */
  more: number;
  less: number;
  /** The same against the plan beside. */
  moreThanBeside: number;
  lessThanBeside: number;
};

/** An order whose delivery would have cost something else. */
export type ChangedOrder = {
  readonly order: string;
  readonly currency: string;
  readonly option: string;
  readonly charged: number;
  readonly now: number;
  /** Null where no plan is beside, or it has no price. */
  readonly beside: number | null;
};

/** Why nothing can be said of an order, or what it chose could not be had. */
export const WHY_NOT_PRICED = {
  ...NO_PRICE_WORDS,
  "nobody-delivers": phrase("nobody delivers there"),
  "only-a-total": phrase("no more is known than what the order came to"),
} as const;
export type WhyNotPriced = NoPrice | "nobody-delivers" | "only-a-total";
export type WhyCount = { readonly why: WhyNotPriced; readonly orders: number };

/** What orders would have meant under a plan. */
export type Replayed = {
  /** Those that were looked at: priced, not to be told, or not to be had. */
  readonly orders: number;
  readonly cancelled: number;
  readonly rows: readonly ReplayRow[];
  /** Orders whose facts do not say what would have been charged, by what is not known. */
  readonly cannotBeTold: readonly WhyCount[];
  /** Orders whose option could not have been chosen, by why. */
  readonly notToBeHad: readonly WhyCount[];
  /** Orders priced as if no limited offer had been used before, since how often they were is not known. */
  readonly limitsIgnored: number;
  /** Of each currency, those whose delivery changes most. */
  readonly changedMost: readonly ChangedOrder[];
};

const MOST_CHANGED = 20;

const noSums = (): Sums => ({ orders: 0, delivery: 0, free: 0, givenAway: 0 });

/** A row of no orders yet. */
export const emptyRow = (of: Pick<ReplayRow, "currency" | "zone" | "option" | "group">): ReplayRow => ({
  ...of,
  ...{ charged: 0, freeBefore: 0, now: noSums(), beside: noSums() },
  ...{ more: 0, less: 0, moreThanBeside: 0, lessThanBeside: 0 },
});

export const rowKey = ({ currency, zone, option, group }: Pick<ReplayRow, "currency" | "zone" | "option" | "group">) =>
  [currency, zone, option, group ?? ""].join(" ");

const addedSums = (a: Sums, b: Sums): Sums => ({
  orders: a.orders + b.orders,
  delivery: a.delivery + b.delivery,
  free: a.free + b.free,
  givenAway: a.givenAway + b.givenAway,
});

/** Two rows as one, named as the first. @example rows.reduce(addedRows).now.delivery */
export const addedRows = (a: ReplayRow, b: ReplayRow): ReplayRow => ({
  ...a,
  charged: a.charged + b.charged,
  freeBefore: a.freeBefore + b.freeBefore,
  now: addedSums(a.now, b.now),
  beside: addedSums(a.beside, b.beside),
  more: a.more + b.more,
  less: a.less + b.less,
  moreThanBeside: a.moreThanBeside + b.moreThanBeside,
  lessThanBeside: a.lessThanBeside + b.lessThanBeside,
});

/** Rows put together by what `keyOf` says of them, in the order of their keys. */
export function rowsBy(rows: readonly ReplayRow[], keyOf: (row: ReplayRow) => string): ReplayRow[] {
  const together = new Map<string, ReplayRow>();
  for (const row of rows) {
    const known = together.get(keyOf(row));
    together.set(keyOf(row), known ? addedRows(known, row) : row);
  }
  return [...together].sort(([a], [b]) => a.localeCompare(b, "en", { numeric: true })).map(([, row]) => row);
}

/** Counts of reasons as one, each reason once. */
function addedCounts(counts: readonly WhyCount[]): WhyCount[] {
  const together = new Map<WhyNotPriced, number>();
  for (const { why, orders } of counts) together.set(why, (together.get(why) ?? 0) + orders);
  return countsOf(together);
}

/** In the order of their names. */
export const countsOf = (counts: ReadonlyMap<WhyNotPriced, number>): WhyCount[] =>
  [...counts].sort().map(([why, orders]) => ({ why, orders }));

/** What parts of the orders have come to, each replayed by itself, as one. */
export function mergedReplays(parts: readonly Replayed[]): Replayed {
  const sum = (of: (part: Replayed) => number) => parts.reduce((total, part) => total + of(part), 0);
  const most = new MostChanged();
  for (const one of parts.flatMap(({ changedMost }) => changedMost)) most.add(one);
  return {
    orders: sum(({ orders }) => orders),
    cancelled: sum(({ cancelled }) => cancelled),
    limitsIgnored: sum(({ limitsIgnored }) => limitsIgnored),
    rows: rowsBy(
      parts.flatMap(({ rows }) => rows),
      rowKey,
    ),
    cannotBeTold: addedCounts(parts.flatMap(({ cannotBeTold }) => cannotBeTold)),
    notToBeHad: addedCounts(parts.flatMap(({ notToBeHad }) => notToBeHad)),
    changedMost: most.all(),
  };
}

/** Keeps the orders that change most of each currency, the most first; of equals, the earlier. */
export class MostChanged {
  private readonly kept = new Map<string, ChangedOrder[]>();

  add(one: ChangedOrder): void {
    const kept = this.kept.get(one.currency) ?? [];
    const at = kept.findIndex((other) => byHowMuch(other) < byHowMuch(one));
    if (at < 0 && kept.length >= MOST_CHANGED) return;
    kept.splice(at < 0 ? kept.length : at, 0, one);
    this.kept.set(one.currency, kept.slice(0, MOST_CHANGED));
  }

  all(): ChangedOrder[] {
    return [...this.kept].sort(([a], [b]) => (a < b ? -1 : 1)).flatMap(([, orders]) => orders);
  }
}

/** By how much a delivery changes: against the plan beside where there is one, else against what was charged. */
export const changeOf = ({ charged, beside, now }: ChangedOrder): number => now - (beside ?? charged);

const byHowMuch = (one: ChangedOrder) => Math.abs(changeOf(one));
