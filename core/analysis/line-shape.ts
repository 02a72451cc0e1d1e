import type { LabelKind, LineFigureKind, LineNeed, LineTrait } from "../conditions/constraint.ts";
import { type Intervals, meet } from "../facts/intervals.ts";
import type { CartLine } from "../request/request.ts";

const isSingle = (kind: LabelKind) => kind === "skus" || kind === "parcel-classes";

export const both = (a: LineNeed, b: LineNeed): LineNeed => ({
  labels: [...a.labels, ...b.labels],
  traits: [...a.traits, ...b.traits],
  figures: [...a.figures, ...b.figures],
});

/** A line as its needs leave it: labels and traits settled, figures still to be chosen within their intervals. */
export type LineShape = {
  readonly line: Omit<CartLine, "quantity" | "unitPrice">;
  readonly price: Intervals;
  readonly quantity: Intervals;
  /** Milligrams of one piece. */
  readonly weight: Intervals;
  /** Whether its SKU is of no matter. */
  readonly anySku: boolean;
};

const POSITIVE: Intervals = [{ from: 1, until: null }];
const NOT_NEGATIVE: Intervals = [{ from: 0, until: null }];

/** A line that meets a need; null when no line can. Exact: whoever gets null may say that there is none. */
export function shapeFor(need: LineNeed, number: number): LineShape | null {
  let otherName = otherSku(new Set(), number);
  const names: Record<LabelKind, string[]> = { categories: [], tags: [], skus: [], "parcel-classes": [] };
  for (const kind of ["categories", "tags", "skus", "parcel-classes"] as const) {
    const asked = need.labels.filter((label) => label.kind === kind);
    const forbidden = new Set(asked.filter(({ wanted }) => !wanted).flatMap((label) => label.in));
    const sets = asked.filter(({ wanted }) => wanted).map((label) => label.in.filter((name) => !forbidden.has(name)));
    if (sets.some((set) => set.length === 0)) return null;
    if (isSingle(kind)) {
      const [first, ...others] = sets;
      const common = first?.find((name) => others.every((set) => set.includes(name)));
      if (first && common === undefined) return null;
      if (common !== undefined) names[kind] = [common];
      else if (kind === "skus") otherName = otherSku(forbidden, number);
    } else names[kind] = [...new Set(sets.map(([name = ""]) => name))];
  }
  const traits = settledTraits(need.traits);
  if (!traits) return null;
  const within = (figure: LineFigureKind, start: Intervals) =>
    need.figures.filter((one) => one.figure === figure).reduce((all, one) => meet(all, one.within), start);
  const [price, quantity, weight] = [
    within("price", NOT_NEGATIVE),
    within("quantity", POSITIVE),
    within("weight", NOT_NEGATIVE),
  ];
  // Whatever is not shipped weighs nothing.
  const lightest = traits.delivery?.kind === "nothing-to-ship" ? meet(weight, [{ from: 0, until: 1 }]) : weight;
  // A reduced line has to be worth something to be reduced by a unit.
  const dearest = traits.discount ? meet(price, POSITIVE) : price;
  if ([dearest, quantity, lightest].some((figures) => figures.length === 0)) return null;
  const [parcelClass] = names["parcel-classes"];
  return {
    line: {
      sku: names.skus[0] ?? otherName,
      ...(names.categories.length > 0 ? { categories: names.categories } : {}),
      ...(names.tags.length > 0 ? { tags: names.tags } : {}),
      ...(parcelClass === undefined ? {} : { parcelClass }),
      ...traits,
    },
    price: dearest,
    quantity,
    weight: lightest,
    anySku: names.skus.length === 0,
  };
}

function otherSku(forbidden: ReadonlySet<string>, number: number): string {
  for (let n = number; ; n += 1) if (!forbidden.has(`other-${n}`)) return `other-${n}`;
}

function settledTraits(traits: LineNeed["traits"]): Pick<CartLine, "used" | "delivery" | "discount"> | null {
  const asked = new Map<LineTrait, boolean>();
  for (const { trait, wanted } of traits) {
    if ((asked.get(trait) ?? wanted) !== wanted) return null;
    asked.set(trait, wanted);
  }
  const used = asked.get("used") ?? (asked.has("new") ? !asked.get("new") : false);
  if (asked.has("new") && asked.get("new") === used) return null;
  const kinds = (["ships-free", "own-charge", "nothing-to-ship"] as const).filter((kind) => asked.get(kind) === true);
  if (kinds.length > 1) return null;
  const [kind] = kinds;
  return {
    ...(used ? { used } : {}),
    ...(kind === undefined ? {} : { delivery: kind === "own-charge" ? { kind, amount: 0, per: "line" } : { kind } }),
    ...(asked.get("reduced") ? { discount: 1 } : {}),
  };
}
