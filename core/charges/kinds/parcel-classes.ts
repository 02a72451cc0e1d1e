import { isOrdinary } from "../../cart/read-cart.ts";
import { Amount, amountFor, amountProblems } from "../../money/amount.ts";
import { type LinearAmount, max, plus } from "../../money/linear-amount.ts";
import { joined, phrase } from "../../phrases/phrase.ts";
import { closed, Tag } from "../../schema/atoms.ts";
import { pointer } from "../../schema/problem.ts";
import { type Static, Type } from "../../schema/type.ts";
import type { Situation } from "../../situation/situation.ts";
import { type Charged, defineCharge, plainCharge } from "../definition.ts";

/**
 * A price for each parcel class among the goods: all of them added, or only the highest. Goods of no class, or of one
 * that is not listed, cost `others`.
 *
 * @example { kind: "parcel-classes", take: "sum", classes: { bulky: { byCurrency: { EUR: "18.00" } } }, others: { byCurrency: { EUR: "4.90" } } }
 */
const ParcelClassCharge = Type.Object(
  {
    kind: Type.Literal("parcel-classes"),
    take: Type.Union([Type.Literal("sum"), Type.Literal("highest")]),
    classes: Type.Record(Tag, Amount),
    others: Amount,
  },
  { ...closed, title: "ParcelClassCharge" },
);
export type ParcelClassCharge = Static<typeof ParcelClassCharge>;

export const parcelClasses = defineCharge({
  kind: "parcel-classes",
  schema: ParcelClassCharge,
  example: {
    kind: "parcel-classes",
    take: "sum",
    classes: { bulky: { byCurrency: { EUR: "18.00" } } },
    others: { byCurrency: { EUR: "4.90" } },
  },
  compile: (charge, context) => {
    const prices = new Map(Object.entries(charge.classes).map(([name, amount]) => [name, amountFor(amount, context)]));
    const others = amountFor(charge.others, context);
    const priceOf = (name: string | null) => (name !== null && prices.has(name) ? prices.get(name) : others);
    const price = ({ lines }: Situation): Charged => {
      const known = lines
        .filter(isOrdinary)
        .map(({ parcelClass }) => (parcelClass !== null && prices.has(parcelClass) ? parcelClass : null));
      const names = new Set(known.length > 0 ? known : [null]);
      let total: LinearAmount = 0;
      for (const name of names) {
        const one = priceOf(name);
        if (one === undefined) return "no-amount";
        total = charge.take === "sum" ? plus(total, one) : max(total, one, null);
      }
      return total;
    };
    return plainCharge("parcel-classes", price);
  },
  problems: ({ classes, others }, path, references) => [
    ...Object.entries(classes).flatMap(([name, amount]) =>
      amountProblems(amount, `${path}/classes${pointer(name)}`, references),
    ),
    ...amountProblems(others, `${path}/others`, references),
  ],
  words: ({ classes, others, take }, { money }) => {
    const each = Object.entries(classes).map(([name, amount]) => joined([name, money(amount)]));
    const list = joined([...each, phrase("others {money}", { money: money(others) })], ", ");
    return take === "sum" ? phrase("{list} (added up)", { list }) : phrase("{list} (the highest)", { list });
  },
  why: () => phrase("by parcel class"),
});
