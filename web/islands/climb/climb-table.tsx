import type { Climb } from "../../../core/climb/climb.ts";
import { formatMoney } from "../../../core/money/format.ts";
import type { MessageStretch } from "./message-strip.ts";

type Props = { climb: Climb; optionNames: readonly string[]; stretches: readonly MessageStretch[] };

/** The climb as a table: a row for each stretch over which no price and no message changes. */
export function ClimbTable({ climb, optionNames, stretches }: Props) {
  const money = (minor: number) => formatMoney(minor, climb.currency, "en");
  const rows = rowsOf(climb, stretches);
  return (
    <table className="table table-sm mt-2 text-[13px]">
      <caption className="sr-only">Delivery prices by cart value</caption>
      <thead>
        <tr>
          <th scope="col">Cart</th>
          {climb.options.map((id, i) => (
            <th key={id} scope="col" className="text-right">
              {optionNames[i] ?? id}
            </th>
          ))}
          <th scope="col">Shoppers read</th>
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
                {typeof price === "number" ? (price === 0 ? "Free" : money(price)) : "not available"}
              </td>
            ))}
            <td>{texts.join(" · ") || "–"}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function rowsOf(climb: Climb, stretches: readonly MessageStretch[]) {
  const rows: {
    from: number;
    to: number;
    prices: Climb["intervals"][number]["prices"];
    texts: string[];
    key: string;
  }[] = [];
  for (const { from, to, prices } of climb.intervals) {
    const texts = stretches.find((stretch) => stretch.from <= from && from <= stretch.to)?.texts ?? [];
    const key = JSON.stringify([prices, texts]);
    const last = rows.at(-1);
    if (last?.key === key) last.to = to;
    else rows.push({ from, to, prices, texts, key });
  }
  return rows;
}
