import { closed, Percent } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import { Amount, type AmountContext, type AmountReferences, amountFor, amountProblems } from "./amount.ts";
import { percent } from "./decimal.ts";
import { type LinearAmount, plus, times } from "./linear-amount.ts";
import { isZero, ZERO } from "./rational.ts";

/** A fee for packing and handling on top of the charge: a sum, a percent of the charge, a percent of the goods. */
export const Handling = Type.Object(
  {
    fixed: Type.Optional(Amount),
    percentOfCharge: Type.Optional(Percent),
    percentOfGoods: Type.Optional({ ...Percent, description: "Of the goods after all discounts" }),
  },
  { ...closed, title: "Handling" },
);
export type Handling = Static<typeof Handling>;

/** @returns the fee for a charge and goods; null where its sum has no amount */
export function compileHandling(
  handling: Handling | undefined,
  context: AmountContext,
): ((charge: LinearAmount, goods: () => LinearAmount) => LinearAmount) | null {
  const fixed = handling?.fixed ? amountFor(handling.fixed, context) : 0;
  if (fixed === undefined) return null;
  const ofCharge = percent(handling?.percentOfCharge ?? "0") ?? ZERO;
  const ofGoods = percent(handling?.percentOfGoods ?? "0") ?? ZERO;
  return (charge, goods) => {
    const withCharge = isZero(ofCharge) ? fixed : plus(fixed, times(charge, ofCharge));
    return isZero(ofGoods) ? withCharge : plus(withCharge, times(goods(), ofGoods));
  };
}

export const handlingProblems = (
  handling: Handling | undefined,
  path: string,
  references: AmountReferences,
): Problem[] => (handling?.fixed ? amountProblems(handling.fixed, `${path}/fixed`, references) : []);
