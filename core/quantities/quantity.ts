import { decimal } from "../money/decimal.ts";
import { type LinearAmount, linearAmount } from "../money/linear-amount.ts";
import { multiply, type Rational, reduce, roundHalfAway, whole, ZERO } from "../money/rational.ts";
import { closed, Decimal } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";

const unit = <Name extends string>(...names: readonly Name[]) => Type.Union(names.map((name) => Type.Literal(name)));

export const Weight = Type.Object(
  { value: Decimal, unit: unit("mg", "g", "kg", "oz", "lb") },
  { ...closed, title: "Weight" },
);
export type Weight = Static<typeof Weight>;

const LengthUnit = unit("mm", "cm", "m", "in", "ft");

/** Length, width and height of one piece, in any order. */
export const Size = Type.Object(
  { length: Decimal, width: Decimal, height: Decimal, unit: LengthUnit },
  { ...closed, title: "Size" },
);
export type Size = Static<typeof Size>;

export const Volume = Type.Object(
  { value: Decimal, unit: unit("cm3", "dm3", "m3", "in3", "ft3") },
  { ...closed, title: "Volume" },
);
export type Volume = Static<typeof Volume>;

export const Distance = Type.Object({ value: Decimal, unit: unit("m", "km", "mi") }, { ...closed, title: "Distance" });
export type Distance = Static<typeof Distance>;

/**
 * A pound is 0.45359237 kg and a yard 0.9144 m exactly, by the international yard and pound agreement of 1959; an ounce
 * is a sixteenth of a pound, a foot a third of a yard, an inch a twelfth of a foot, a mile 1760 yards.
 */
const POUND: Rational = { n: 45_359_237, d: 100 };
const MILLIGRAMS: Readonly<Record<Weight["unit"], Rational>> = {
  mg: whole(1),
  g: whole(1000),
  kg: whole(1_000_000),
  oz: multiply(POUND, { n: 1, d: 16 }),
  lb: POUND,
};
const MILLIMETRES: Readonly<Record<Size["unit"], Rational>> = {
  mm: whole(1),
  cm: whole(10),
  m: whole(1000),
  in: { n: 254, d: 10 },
  ft: { n: 3048, d: 10 },
};
const CUBIC_MILLIMETRES: Readonly<Record<Volume["unit"], Rational>> = {
  cm3: whole(1000),
  dm3: whole(1_000_000),
  m3: whole(1_000_000_000),
  in3: cubed(MILLIMETRES.in),
  ft3: cubed(MILLIMETRES.ft),
};
const METRES: Readonly<Record<Distance["unit"], Rational>> = {
  m: whole(1),
  km: whole(1000),
  mi: { n: 1_609_344, d: 1000 },
};

function cubed(a: Rational): Rational {
  return multiply(a, multiply(a, a));
}

const figure = (text: string): Rational => decimal(text) ?? ZERO;

/** Exact milligrams. @example milligrams({ value: "1", unit: "lb" }) // 453592.37 */
export function milligrams({ value, unit: name }: Weight): LinearAmount {
  const each = MILLIGRAMS[name];
  // Most weights are whole grams.
  if (each.d === 1 && SHORT.test(value)) return Number(value) * Number(each.n);
  return linearAmount(reduce(multiply(figure(value), each)), ZERO);
}

/** So short that in no unit it comes to more than a double counts exactly. */
const SHORT = /^\d{1,9}$/;

/** Exact cubic millimetres of one piece. */
export function volumeOf({ length, width, height, unit: name }: Size): LinearAmount {
  const box = multiply(figure(length), multiply(figure(width), figure(height)));
  return linearAmount(reduce(multiply(box, cubed(MILLIMETRES[name]))), ZERO);
}

export const cubicMillimetres = ({ value, unit: name }: Volume): LinearAmount =>
  linearAmount(reduce(multiply(figure(value), CUBIC_MILLIMETRES[name])), ZERO);

/** Whole metres, rounded. */
export const metres = ({ value, unit: name }: Distance): number => roundHalfAway(multiply(figure(value), METRES[name]));
