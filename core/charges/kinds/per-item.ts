import { Amount, amountFor, amountProblems } from "../../money/amount.ts";
import { timesBy } from "../../money/linear-amount.ts";
import { whole } from "../../money/rational.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { type Static, Type } from "../../schema/type.ts";
import { defineCharge, plainCharge } from "../definition.ts";

/** A price for each piece the zone's charges are for. @example { kind: "per-item", amount: { byCurrency: { EUR: "1.20" } } } */
const PerItemCharge = Type.Object(
  { kind: Type.Literal("per-item"), amount: Amount },
  { ...closed, title: "PerItemCharge" },
);
export type PerItemCharge = Static<typeof PerItemCharge>;

export const perItem = defineCharge({
  kind: "per-item",
  schema: PerItemCharge,
  example: { kind: "per-item", amount: { byCurrency: { EUR: "1.20" } } },
  compile: ({ amount }, context) => {
    const each = amountFor(amount, context);
    if (each === undefined) return plainCharge("per-item", () => "no-amount");
    const measure = context.measureNumber({ kind: "items" }, "ordinary");
    const total = timesBy(whole(each));
    return plainCharge(
      "per-item",
      (situation) => total(situation.moving(measure) ?? 0),
      (situation) => ({ counted: situation.count(measure) }),
    );
  },
  problems: ({ amount }, path, references) => amountProblems(amount, `${path}/amount`, references),
  words: ({ amount }, { money }) => phrase("{money} for each item", { money: money(amount) }),
  why: () => phrase("for each item"),
});
