import { Amount, type AmountContext, type AmountReferences, amountFor, amountProblems } from "../money/amount.ts";
import { formatMoney, type MoneyStyle, shoppersMoney } from "../money/format.ts";
import { rounded } from "../money/linear-amount.ts";
import { joined, type Phrase, type PhraseValue, phrase, type Written } from "../phrases/phrase.ts";
import { speakValue } from "../phrases/speak.ts";
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

const TERMS: Readonly<Record<MeasureSpec["kind"], Phrase>> = {
  value: phrase("an amount"),
  items: phrase("items"),
  weight: phrase("a weight"),
  "volumetric-weight": phrase("a weight"),
  "chargeable-weight": phrase("a weight"),
  volume: phrase("a volume"),
  "weight-volume": phrase("a weightVolume"),
  distance: phrase("a distance"),
};

function termsOf(mark: Mark): Phrase {
  if ("items" in mark) return phrase("items");
  if ("weight" in mark) return phrase("a weight");
  if ("volume" in mark) return phrase("a volume");
  if ("weightVolume" in mark) return phrase("a weightVolume");
  if ("distance" in mark) return phrase("a distance");
  return phrase("an amount");
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
  if (termsOf(mark).message !== TERMS[spec.kind].message)
    return [
      {
        path,
        message: phrase("has to be {terms}, since {kind} is counted", { terms: TERMS[spec.kind], kind: spec.kind }),
      },
    ];
  const amount = amountOf(mark);
  return amount ? amountProblems(amount, path, references) : [];
}

/** A ladder's measure in words. @example "items, only those of notebooks, from €10 each" */
export function ladderWords(counts: LadderMeasure, context: AmountContext): Phrase {
  const packed = counts.kind === "weight" ? packedWords(counts) : [];
  const only = onlyWords(counts.only, context);
  return joined([measureWords(counts), ...packed, ...(only ? [phrase("only those {only}", { only })] : [])], ", ");
}

/** @example "goods after all discounts, with tax" */
export function measureWords(
  spec: MeasureSpec | LadderMeasure,
  { locationName }: Pick<AmountContext, "locationName"> = {},
): Phrase {
  switch (spec.kind) {
    case "value":
      return basisWords(spec.basis);
    case "items":
      return phrase("items{leavesOut}", { leavesOut: leavesOutWords(spec.leavesOut) });
    case "weight":
      return phrase("weight{leavesOut}", { leavesOut: leavesOutWords(spec.leavesOut) });
    case "distance":
      return phrase("distance from {location}", { location: locationName?.(spec.from) ?? spec.from });
    case "volume":
      return phrase("volume");
    case "volumetric-weight":
      return phrase("volumetric weight");
    case "chargeable-weight":
      return phrase("chargeable weight");
    case "weight-volume":
      return phrase("weight volume");
  }
}

/** @example ["with 100 g of packing", "rounded up to 0.5 kg"] */
const packedWords = ({ packing: added, roundUpTo }: { packing?: Weight; roundUpTo?: Weight }): Phrase[] => [
  ...(added ? [phrase("with {value} {unit} of packing", added)] : []),
  ...(roundUpTo ? [phrase("rounded up to {value} {unit}", roundUpTo)] : []),
];

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
const inUnits = (number: number, unit: string, decimals = 3): Written => ({
  number,
  options: { style: "unit", unit, maximumFractionDigits: decimals },
});

const weightFigure = (mg: number, decimals: number): Written =>
  mg < KILOGRAM ? inUnits(mg / GRAM, "gram") : inUnits(mg / KILOGRAM, "kilogram", decimals);

const asReadIn = (figure: PhraseValue, locale: string): string =>
  speakValue(figure, { locale, clock: locale, messageFor: () => undefined });

/** A goal, exactly: money, pieces, or a weight to the milligram. @example "1.451496 kg" */
export const goalFigure = (kind: LadderMeasure["kind"], goal: number, currency: string): PhraseValue =>
  kind === "weight" ? weightFigure(goal, 6) : measuredFigure(kind, goal, currency, "short");

/** The same as a shopper reads it. @example goalText("weight", 1_451_496, "EUR", "en") // "1.451496 kg" */
export const goalText = (kind: LadderMeasure["kind"], goal: number, currency: string, locale: string): string =>
  kind === "weight"
    ? asReadIn(goalFigure(kind, goal, currency), locale)
    : measured(kind, goal, currency, locale, "short");

/** A figure of a measure, in whole units in; of a weight no more than there is. */
export function measuredFigure(
  kind: MeasureSpec["kind"],
  count: number,
  currency: string,
  style: MoneyStyle = "exact",
): PhraseValue {
  switch (kind) {
    case "value":
      return shoppersMoney(count, currency, style);
    case "items":
      return { number: count, options: {} };
    case "weight":
    case "volumetric-weight":
    case "chargeable-weight":
      return weightFigure(saidAtMost(count), 3);
    case "volume":
      return inUnits(count / 1_000_000, "liter");
    case "weight-volume":
      return phrase("{figure} kg·l", { figure: { number: count / 1000, options: {} } });
    case "distance":
      return count < 1000 ? inUnits(count, "meter") : inUnits(count / 1000, "kilometer");
  }
}

/**
 * The same as it reads in a language.
 *
 * @example measured("weight", 2_000_000, "EUR", "en") // "2 kg"
 */
export const measured = (
  kind: MeasureSpec["kind"],
  count: number,
  currency: string,
  locale: string,
  style: MoneyStyle = "exact",
): string =>
  // Money is most of what shoppers read, and has its formats at hand.
  kind === "value"
    ? formatMoney(count, currency, locale, style)
    : asReadIn(measuredFigure(kind, count, currency, style), locale);
