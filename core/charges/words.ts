import { type Condition, conditionWords, type Saved } from "../conditions/condition.ts";
import { markAt, measured, measureWords } from "../measures/measure-spec.ts";
import { type Amount, type AmountContext, amountFor } from "../money/amount.ts";
import { formatMoney } from "../money/format.ts";
import type { Charge } from "./charge.ts";
import type { BandedCharge } from "./kinds/bands.ts";

/**
 * A charge as a phrase, in English for the people who make the plan, in one market and currency.
 *
 * @example "€4 up to €30, €7 from €30, free from €75, by goods after all discounts, with tax"
 */
export function chargeWords(charge: Charge, context: AmountContext, saved: Saved): string {
  const money = (amount: Amount) => {
    const minor = amountFor(amount, context);
    if (minor === undefined) return `no amount in ${context.currency}`;
    return minor === 0 ? "free" : formatMoney(minor, context.currency, "en");
  };
  const words = (inner: Charge) => chargeWords(inner, context, saved);
  switch (charge.kind) {
    case "flat":
      return money(charge.amount);
    case "per-item":
      return `${money(charge.amount)} for each item`;
    case "bands":
      return `${bandWords(charge, context, money)}, by ${measureWords(charge.by)}`;
    case "parcel-classes": {
      const classes = Object.entries(charge.classes).map(([name, amount]) => `${name} ${money(amount)}`);
      return `${[...classes, `others ${money(charge.others)}`].join(", ")} (${charge.take === "sum" ? "added up" : "the highest"})`;
    }
    case "carrier":
      return `what ${charge.carrier} asks for ${charge.service}${charge.fallback ? `, else ${words(charge.fallback)}` : ""}`;
    case "conditional": {
      const when = (condition: Condition | undefined) =>
        condition ? `if ${conditionWords(condition, context, saved)}: ` : "otherwise ";
      const list = [...charge.entries]
        .sort((a, b) => a.position - b.position)
        .map((entry) => `${when(entry.when)}${words(entry.charge)}`)
        .join("; ");
      return charge.take === "first" ? list : `the ${charge.take} of: ${list}`;
    }
  }
}

function bandWords(charge: BandedCharge, context: AmountContext, money: (amount: Amount) => string): string {
  const { kind } = charge.by;
  const figure = (count: number | undefined) =>
    count === undefined ? "an edge without an amount" : measured(kind, count, context.currency, "en", "short");
  const price = (band: BandedCharge["first"]) => {
    if (band === "free" || band === "not-offered") return band.replace("-", " ");
    if (!("fixed" in band)) return money(band);
    return `${money(band.fixed)} and ${money(band.more)} for each further ${figure(markAt(band.each, context))}`;
  };
  const [next] = charge.edges;
  const first = next
    ? `${price(charge.first)} ${next.edge === "from" ? "below" : "up to"} ${figure(markAt(next.at, context))}`
    : price(charge.first);
  return [
    first,
    ...charge.edges.map(({ edge, at, price: band }) => `${price(band)} ${edge} ${figure(markAt(at, context))}`),
  ].join(", ");
}
