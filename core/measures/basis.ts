import { type Phrase, phrase } from "../phrases/phrase.ts";
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
    codes: Type.Optional(
      Type.Union([Type.Literal("in"), Type.Literal("out")], {
        description: "The same of those that a code gave; as the others unless given",
      }),
    ),
    tax: Type.Union([Type.Literal("with"), Type.Literal("without")]),
    leavesOut: Type.Optional(LeavesOut),
  },
  { ...closed, title: "Basis" },
);
export type Basis = Static<typeof Basis>;

/** The same text for bases that mean the same, so that a measure is computed once per quote. */
export function basisKey(basis: Basis): string {
  const { lineDiscounts, orderDiscounts, tax, leavesOut } = basis;
  return JSON.stringify([lineDiscounts, orderDiscounts, codesIn(basis), tax, leavesOutKey(leavesOut)]);
}

/** Whether discounts that a code gave are taken off first. */
export const codesIn = ({ codes, orderDiscounts }: Pick<Basis, "codes" | "orderDiscounts">): "in" | "out" =>
  codes ?? orderDiscounts;

/**
 * A basis in words.
 *
 * @example "goods after all discounts, with tax, leaving out gift-cards"
 */
export function basisWords(basis: Basis): Phrase {
  const { lineDiscounts, orderDiscounts, tax, leavesOut } = basis;
  const discounts = {
    "in in in": phrase("after all discounts"),
    "in in out": phrase("after line and order discounts, before codes"),
    "in out in": phrase("after line discounts and codes, before order discounts"),
    "in out out": phrase("after line discounts, before order discounts"),
    "out in in": phrase("after order discounts, before line discounts"),
    "out in out": phrase("after order discounts, before codes and line discounts"),
    "out out in": phrase("after codes, before other discounts"),
    "out out out": phrase("before discounts"),
  }[`${lineDiscounts} ${orderDiscounts} ${codesIn(basis)}` as const];
  const values = { discounts, leavesOut: leavesOutWords(leavesOut) };
  return tax === "with"
    ? phrase("goods {discounts}, with tax{leavesOut}", values)
    : phrase("goods {discounts}, without tax{leavesOut}", values);
}
