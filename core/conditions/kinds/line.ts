import type { ReadLine } from "../../cart/read-cart.ts";
import { cartLines } from "../../facts/cart/goods.ts";
import { complement } from "../../facts/intervals.ts";
import { Amount, type AmountContext, amountFor, amountProblems } from "../../money/amount.ts";
import { writtenMoney } from "../../money/format.ts";
import { rounded } from "../../money/linear-amount.ts";
import { phrase } from "../../phrases/phrase.ts";
import { milligrams, Weight } from "../../quantities/quantity.ts";
import { byKind, closed } from "../../schema/atoms.ts";
import { type Static, Type } from "../../schema/type.ts";
import type { LineFigure, Situation } from "../../situation/situation.ts";
import { allOf, anyOf, not, type Truth } from "../../situation/truth.ts";
import { COMPARISON_WORDS, Comparison, comparing, rangeOf } from "../compare.ts";
import { NO_NEED } from "../constraint.ts";
import { defineCondition } from "../definition.ts";

const Figure = byKind(
  [
    Type.Object({ kind: Type.Literal("price"), is: Comparison, amount: Amount }, closed),
    Type.Object(
      { kind: Type.Literal("quantity"), is: Comparison, count: Type.Integer({ minimum: 0, maximum: 1_000_000 }) },
      closed,
    ),
    Type.Object({ kind: Type.Literal("weight"), is: Comparison, weight: Weight }, closed),
  ],
  "LineFigure",
);
type Figure = Static<typeof Figure>;

const FIGURES: Readonly<Record<Figure["kind"], LineFigure>> = {
  price: "unitPrice",
  quantity: "quantity",
  weight: "weight",
};
const HOW_WORDS = {
  any: phrase("some line has"),
  none: phrase("no line has"),
  only: phrase("every line has"),
} as const;

function markOf(figure: Figure, context: AmountContext): number | undefined {
  switch (figure.kind) {
    case "price":
      return amountFor(figure.amount, context);
    case "quantity":
      return figure.count;
    case "weight":
      return rounded(milligrams(figure.weight));
  }
}

/** Some, no or every line has a price, a quantity or a weight of one piece that compares so. */
export const line = defineCondition({
  kind: "line",
  family: "cart",
  schema: Type.Object(
    {
      kind: Type.Literal("line"),
      how: Type.Union((["any", "none", "only"] as const).map((name) => Type.Literal(name))),
      figure: Figure,
    },
    closed,
  ),
  example: { kind: "line", how: "any", figure: { kind: "quantity", is: "at-least", count: 10 } },
  compile: ({ how, figure }, context) => {
    const to = markOf(figure, context);
    const name = FIGURES[figure.kind];
    type Looked = readonly [Situation, ReadLine];
    const is =
      to === undefined
        ? () => null
        : comparing(figure.is, to, ([now, one]: Looked, least) => now.lineReaches(one, name, least));
    const has = (situation: Situation, one: ReadLine): Truth => is([situation, one]);
    const test = (situation: Situation): Truth => {
      const truths = situation.lines.map((one) => has(situation, one));
      return how === "any" ? anyOf(truths) : how === "none" ? not(anyOf(truths)) : allOf(truths);
    };
    return {
      test,
      sees: "figures",
      actual: ({ lines }) =>
        lines.map((one) =>
          name === "weight" ? (one.weight === null ? "?" : String(rounded(one.weight))) : String(one[name]),
        ),
      seesLineFigures: true,
    };
  },
  constrains: ({ how, figure }, context) => {
    const to = markOf(figure, context);
    if (to === undefined) return undefined;
    const within = [rangeOf(figure.is, to)];
    return {
      fact: cartLines,
      within: {
        kind: "lines",
        how,
        need: (wanted) => ({
          ...NO_NEED,
          figures: [{ figure: figure.kind, within: wanted ? within : complement(within) }],
        }),
      },
    };
  },
  words: ({ how, figure }, context) => {
    const is = COMPARISON_WORDS[figure.is];
    if (figure.kind === "quantity")
      return phrase("{lines} {is} {count} pieces", { lines: HOW_WORDS[how], is, count: figure.count });
    if (figure.kind === "weight")
      return phrase("{lines} pieces of {is} {value} {unit}", {
        lines: HOW_WORDS[how],
        is,
        value: figure.weight.value,
        unit: figure.weight.unit,
      });
    const to = amountFor(figure.amount, context);
    const money =
      to === undefined
        ? phrase("(no amount in {currency})", { currency: context.currency })
        : writtenMoney(to, context.currency, "short");
    return phrase("{lines} a price of {is} {money}", { lines: HOW_WORDS[how], is, money });
  },
  problems: ({ figure }, path, references) =>
    figure.kind === "price" ? amountProblems(figure.amount, `${path}/figure/amount`, references) : [],
});
