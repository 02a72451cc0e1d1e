import { type Climb, priceAt } from "../../../core/climb/interval.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import type { MessageStretch } from "./message-strip.ts";

type Props = { climb: Climb; optionNames: readonly string[]; stretches: readonly MessageStretch[] };

/** The climb as a table: a row for each stretch over which no price and no message changes. */
export function ClimbTable({ climb, optionNames, stretches }: Props) {
  const money = (minor: number) => makersMoney(minor, climb.currency);
  const rows = rowsOf(climb, stretches);
  return (
    <table className="table table-sm mt-2 text-[13px]">
      <caption className="sr-only">{say("Delivery prices by cart value")}</caption>
      <thead>
        <tr>
          <th scope="col">{say("Cart")}</th>
          {climb.options.map((id, i) => (
            <th key={id} scope="col" className="text-right">
              {optionNames[i] ?? id}
            </th>
          ))}
          <th scope="col">{say("Shoppers read")}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ from, to, prices, texts }) => (
          <tr key={from}>
            <th scope="row" className="font-normal whitespace-nowrap">
              {from === to ? money(from) : `${money(from)} – ${money(to)}`}
            </th>
            {prices.map((price, i) => (
              <td key={climb.options[i]} className="text-right">
                {cellText(price, money)}
              </td>
            ))}
            <td>{texts.join(" · ") || "–"}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What an option costs at both ends of a row; null where it cannot be had. */
type PriceCell = [number, number] | null;

function cellText(price: PriceCell, money: (minor: number) => string): string {
  if (!price) return say("not available");
  const [first, last] = price.map((minor) => (minor === 0 ? say("Free") : money(minor)));
  return first === last ? `${first}` : `${first} – ${last}`;
}

function rowsOf(climb: Climb, stretches: readonly MessageStretch[]) {
  const rows: {
    from: number;
    to: number;
    prices: PriceCell[];
    texts: string[];
    key: string;
  }[] = [];
  for (const interval of climb.intervals) {
    const { from, to } = interval;
    const prices = interval.prices.map((_, option): PriceCell => {
      const [first, end] = [priceAt(interval, option, from), priceAt(interval, option, to)];
      return typeof first === "number" && typeof end === "number" ? [first, end] : null;
    });
    const texts = stretches.find((stretch) => stretch.from <= from && from <= stretch.to)?.texts ?? [];
    const key = JSON.stringify([prices, texts]);
    const last = rows.at(-1);
    if (last?.key === key) last.to = to;
    else rows.push({ from, to, prices, texts, key });
  }
  return rows;
}
