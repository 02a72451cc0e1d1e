import { closed } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";
import { LeavesOut, leavesOutKey, leavesOutWords } from "./goods-filter.ts";

/** Which total a value measure means. */
export const Basis = Type.Object(
  {
    lineDiscounts: Type.Union([Type.Literal("in"), Type.Literal("out")], {
      description: "in: counts what lines cost after their own discounts",
    }),
    orderDiscounts: Type.Union([Type.Literal("in"), Type.Literal("out")], {
      description: "in: counts what is left after discounts on the whole order",
    }),
    tax: Type.Union([Type.Literal("with"), Type.Literal("without")]),
    leavesOut: Type.Optional(LeavesOut),
  },
  { ...closed, title: "Basis" },
);
export type Basis = Static<typeof Basis>;

/** The same text for bases that mean the same, so that a measure is computed once per quote. */
export function basisKey(basis: Basis): string {
  const { lineDiscounts, orderDiscounts, tax, leavesOut } = basis;
  return JSON.stringify([lineDiscounts, orderDiscounts, tax, leavesOutKey(leavesOut)]);
}

/**
 * A basis in words, in English for the people who make offers.
 *
 * @example "goods after all discounts, with tax, leaving out gift-cards"
 */
export function basisWords({ lineDiscounts, orderDiscounts, tax, leavesOut }: Basis): string {
  const discounts = {
    "in in": "after all discounts",
    "in out": "after line discounts, before order discounts",
    "out in": "after order discounts, before line discounts",
    "out out": "before discounts",
  }[`${lineDiscounts} ${orderDiscounts}` as const];
  return `goods ${discounts}, ${tax} tax${leavesOutWords(leavesOut)}`;
}
