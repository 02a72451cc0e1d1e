import { Amount, type AmountContext, type AmountReferences, amountFor, amountProblems } from "../money/amount.ts";
import { formatMoney } from "../money/format.ts";
import { rounded } from "../money/linear-amount.ts";
import { cubicMillimetres, Distance, metres, milligrams, Volume, Weight } from "../quantities/quantity.ts";
import { byKind, closed, Id } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import { Basis, basisKey, basisWords } from "./basis.ts";
import { LeavesOut, leavesOutKey, leavesOutWords } from "./goods-filter.ts";
import { OnlyGoods, OnlyPieces, onlyKey, onlyWords } from "./only-goods.ts";

const packing = {
  packing: Type.Optional({ ...Weight, description: "Added when anything is shipped" }),
  roundUpTo: Type.Optional({ ...Weight, description: "The weight is rounded up to a multiple of this" }),
};
const divisor = Type.Optional(
  Type.Integer({ minimum: 1, maximum: 100_000, description: "Cubic centimetres to the kilogram; 5000 unless given" }),
);

const ValueSpec = Type.Object({ kind: Type.Literal("value"), basis: Basis }, closed);
const ItemsSpec = Type.Object({ kind: Type.Literal("items"), leavesOut: Type.Optional(LeavesOut) }, closed);
const WeightSpec = Type.Object(
  { kind: Type.Literal("weight"), leavesOut: Type.Optional(LeavesOut), ...packing },
  closed,
);

/** A ladder may count some goods alone. */
const LadderValue = Type.Object({ kind: Type.Literal("value"), basis: Basis, only: Type.Optional(OnlyGoods) }, closed);
const LadderItems = Type.Object(
  { kind: Type.Literal("items"), leavesOut: Type.Optional(LeavesOut), only: Type.Optional(OnlyPieces) },
  closed,
);
const LadderWeight = Type.Object(
  { kind: Type.Literal("weight"), leavesOut: Type.Optional(LeavesOut), only: Type.Optional(OnlyGoods), ...packing },
  closed,
);

/** Only former plans have it: edits and new releases are refused it, and told of the chargeable weight. */
export const RETIRED_MEASURE = "weight-volume";

/** What a ladder of steps is measured by. */
export const LadderMeasure = byKind([LadderValue, LadderItems, LadderWeight], "LadderMeasure");
export type LadderMeasure = Static<typeof LadderMeasure>;

/**
 * What is counted: value on a basis (minor units), items (pieces), weight (whole milligrams), volume (cubic millimetres),
 * volumetric weight, the greater of both weights, weight times volume (gram litres), distance from a location (metres).
 */
export const MeasureSpec = byKind(
  [
    ValueSpec,
    ItemsSpec,
    WeightSpec,
    Type.Object({ kind: Type.Literal("volume") }, closed),
    Type.Object({ kind: Type.Literal("volumetric-weight"), divisor, ...packing }, closed),
    Type.Object({ kind: Type.Literal("chargeable-weight"), divisor, ...packing }, closed),
    Type.Object({ kind: Type.Literal(RETIRED_MEASURE) }, { ...closed, deprecated: true }),
    Type.Object({ kind: Type.Literal("distance"), from: Id }, closed),
  ],
  "MeasureSpec",
);
export type MeasureSpec = Static<typeof MeasureSpec>;

/** Which lines a count is about: all, those that are shipped, or those that the zone's charges are for. */
export type Scope = "all" | "shipped" | "ordinary";

/** The goods that alone count, where a measure is a ladder's and says so. */
export const onlyOf = (spec: MeasureSpec | LadderMeasure): OnlyPieces | undefined =>
  "only" in spec ? spec.only : undefined;

/** The same text for specs that mean the same, so that a measure is counted once per quote. */
export function measureKey(spec: MeasureSpec | LadderMeasure, scope: Scope): string {
  const only = onlyOf(spec);
  return only ? `${keyOfAll(spec, scope)} ${onlyKey(only)}` : keyOfAll(spec, scope);
}

function keyOfAll(spec: MeasureSpec | LadderMeasure, scope: Scope): string {
  switch (spec.kind) {
    case "value":
      return `value ${basisKey(spec.basis)}`;
    case "items":
      return `items ${scope} ${leavesOutKey(spec.leavesOut)}`;
    case "weight":
      return JSON.stringify(["weight", scope, leavesOutKey(spec.leavesOut), spec.packing, spec.roundUpTo]);
    case "volumetric-weight":
    case "chargeable-weight":
      return JSON.stringify([spec.kind, scope, spec.divisor, spec.packing, spec.roundUpTo]);
    case "volume":
    case "weight-volume":
      return `${spec.kind} ${scope}`;
    case "distance":
      return `distance ${spec.from}`;
  }
}

const WeightVolume = Type.Object({ weight: Weight, volume: Volume }, closed);

const ItemsMark = Type.Object({ items: Type.Integer({ minimum: 0, maximum: 1_000_000 }) }, closed);
const WeightMark = Type.Object({ weight: Weight }, closed);

/** A point on the scale of a ladder. */
export const LadderMark = Type.Union([Amount, ItemsMark, WeightMark], { title: "LadderMark" });
export type LadderMark = Static<typeof LadderMark>;

/** A point on a measure's scale, in the measure's own terms. */
export const Mark = Type.Union(
  [
    Amount,
    ItemsMark,
    WeightMark,
    Type.Object({ volume: Volume }, closed),
    Type.Object({ weightVolume: WeightVolume }, { ...closed, deprecated: true }),
    Type.Object({ distance: Distance }, closed),
  ],
  { title: "Mark" },
);
export type Mark = Static<typeof Mark>;

export const isLadderMark = (mark: Mark): mark is LadderMark =>
  !("volume" in mark || "weightVolume" in mark || "distance" in mark);

/** The amount of a mark on a value measure; undefined for marks in other terms. */
export function amountOf(mark: Mark): Amount | undefined {
  return "items" in mark || "weight" in mark || "volume" in mark || "weightVolume" in mark || "distance" in mark
    ? undefined
    : mark;
}

const TERMS: Readonly<Record<MeasureSpec["kind"], string>> = {
  value: "an amount",
  items: "items",
  weight: "a weight",
  "volumetric-weight": "a weight",
  "chargeable-weight": "a weight",
  volume: "a volume",
  "weight-volume": "a weightVolume",
  distance: "a distance",
};

function termsOf(mark: Mark): string {
  if ("items" in mark) return "items";
  if ("weight" in mark) return "a weight";
  if ("volume" in mark) return "a volume";
  if ("weightVolume" in mark) return "a weightVolume";
  if ("distance" in mark) return "a distance";
  return "an amount";
}

/** A mark in whole units of its measure; undefined where it has no amount. @example markAt({ items: 3 }, context) // 3 */
export function markAt(mark: Mark, context: AmountContext): number | undefined {
  if ("items" in mark) return mark.items;
  if ("weight" in mark) return rounded(milligrams(mark.weight));
  if ("volume" in mark) return rounded(cubicMillimetres(mark.volume));
  if ("weightVolume" in mark)
    return gramLitres(
      rounded(milligrams(mark.weightVolume.weight)),
      rounded(cubicMillimetres(mark.weightVolume.volume)),
    );
  if ("distance" in mark) return metres(mark.distance);
  return amountFor(mark, context);
}

/** Weight times volume in whole gram litres: milligrams × cubic millimetres / 10⁹, rounded. */
export const gramLitres = (mg: number, mm3: number): number =>
  Number((2n * BigInt(mg) * BigInt(mm3) + 1_000_000_000n) / 2_000_000_000n);

export function markProblems(
  mark: Mark,
  spec: MeasureSpec | LadderMeasure,
  path: string,
  references: AmountReferences,
): Problem[] {
  if (termsOf(mark) !== TERMS[spec.kind])
    return [{ path, message: `has to be ${TERMS[spec.kind]}, since ${spec.kind} is counted` }];
  const amount = amountOf(mark);
  return amount ? amountProblems(amount, path, references) : [];
}

/** A ladder's measure in words. @example "items, only those of notebooks, from €10 each" */
export function ladderWords(counts: LadderMeasure, context: AmountContext): string {
  const packed = counts.kind === "weight" ? packedWords(counts) : "";
  const only = counts.only ? `, only those${onlyWords(counts.only, context)}` : "";
  return `${measureWords(counts)}${packed}${only}`;
}

/** @example "goods after all discounts, with tax" */
export function measureWords(
  spec: MeasureSpec | LadderMeasure,
  { locationName }: Pick<AmountContext, "locationName"> = {},
): string {
  switch (spec.kind) {
    case "value":
      return basisWords(spec.basis);
    case "items":
    case "weight":
      return `${spec.kind}${leavesOutWords(spec.leavesOut)}`;
    case "distance":
      return `distance from ${locationName?.(spec.from) ?? spec.from}`;
    default:
      return spec.kind.replace("-", " ");
  }
}

/** @example ", with 100 g of packing, rounded up to 0.5 kg" */
const packedWords = ({ packing: added, roundUpTo }: { packing?: Weight; roundUpTo?: Weight }): string =>
  `${added ? `, with ${added.value} ${added.unit} of packing` : ""}${roundUpTo ? `, rounded up to ${roundUpTo.value} ${roundUpTo.unit}` : ""}`;

const KILOGRAM = 1_000_000;
/** Milligrams to a kilogram's third decimal: kilograms are said no finer, grams to the milligram. */
const GRAM = 1000;

/**
 * The least figure of a ladder that can be said and is no less: of weights, grams below a kilogram have all their decimals,
 * kilograms three; money and pieces are said as they are.
 *
 * @example sayable("weight", 1_451_496) // 1_452_000, "1.452 kg"
 */
export const sayable = (kind: LadderMeasure["kind"], figure: number): number =>
  kind === "weight" && figure >= KILOGRAM ? Math.ceil(figure / GRAM) * GRAM : figure;

/** The same for what is there: the most that can be said and is no more. */
const saidAtMost = (mg: number): number => (mg < KILOGRAM ? mg : Math.floor(mg / GRAM) * GRAM);

/** @param decimals of kilograms, grams or kilometres */
function inUnits(value: number, unit: string, locale: string, decimals = 3): string {
  return new Intl.NumberFormat(locale, { style: "unit", unit, maximumFractionDigits: decimals }).format(value);
}

const weightText = (mg: number, locale: string, decimals: number): string =>
  mg < KILOGRAM ? inUnits(mg / GRAM, "gram", locale, 3) : inUnits(mg / KILOGRAM, "kilogram", locale, decimals);

/** A goal in words, exactly: money, pieces, or a weight to the milligram. @example goalText("weight", 1_451_496, "EUR", "en") // "1.451496 kg" */
export const goalText = (kind: LadderMeasure["kind"], goal: number, currency: string, locale: string): string =>
  kind === "weight" ? weightText(goal, locale, 6) : measured(kind, goal, currency, locale, "short");

/**
 * A figure of a measure in words, in whole units in; of a weight no more than there is.
 *
 * @example measured("weight", 2_000_000, "EUR", "en") // "2 kg"
 */
export function measured(
  kind: MeasureSpec["kind"],
  count: number,
  currency: string,
  locale: string,
  style: "exact" | "short" = "exact",
): string {
  switch (kind) {
    case "value":
      return formatMoney(count, currency, locale, style);
    case "items":
      return new Intl.NumberFormat(locale).format(count);
    case "weight":
    case "volumetric-weight":
    case "chargeable-weight":
      return weightText(saidAtMost(count), locale, 3);
    case "volume":
      return inUnits(count / 1_000_000, "liter", locale);
    case "weight-volume":
      return `${new Intl.NumberFormat(locale).format(count / 1000)} kg·l`;
    case "distance":
      return count < 1000 ? inUnits(count, "meter", locale) : inUnits(count / 1000, "kilometer", locale);
  }
}
