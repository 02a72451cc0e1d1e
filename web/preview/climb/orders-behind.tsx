import { useQuery } from "@tanstack/react-query";
import { memo } from "react";
import type { Market } from "../../../core/places/market.ts";
import { linear } from "../../drawing/linear.ts";
import { say } from "../../language/say.ts";
import { barsOfOrders, isDue } from "../../state/evidence-api.ts";

type Props = {
  market: Market;
  currency: string;
  /** The last cart value of the climb, in minor units. */
  to: number;
  left: number;
  right: number;
  top: number;
  base: number;
};

const BARS = 80;
/** How much of the height the most orders take. */
const TALLEST = 0.55;

/** The spread of past orders behind the climb, by what their goods cost on the shelf: a quiet silhouette, where there are orders. */
export const OrdersBehind = memo(function OrdersBehind({ market, currency, to, left, right, top, base }: Props) {
  const { data } = useQuery(
    barsOfOrders({
      filter: { currency, market: market.id },
      counting: {
        kind: "value",
        basis: { lineDiscounts: "out", orderDiscounts: "out", tax: market.pricesIncludeTax ? "with" : "without" },
      },
      width: Math.max(1, Math.round(to / BARS)),
    }),
  );
  if (!data || isDue(data) || data.orders === 0) return null;
  // The last bar takes what is above, which would stand there as a tower.
  const bars = data.bars.slice(0, -1).filter((bar) => bar.to <= to);
  const most = Math.max(1, ...bars.map(({ orders }) => orders));
  const x = linear([0, to], [left, right]);
  const y = linear([0, most], [base, base - (base - top) * TALLEST]);
  const points = bars.flatMap((bar) => [`L${x(bar.from)},${y(bar.orders)}`, `L${x(bar.to)},${y(bar.orders)}`]);
  return (
    <path
      d={`M${left},${base}${points.join("")}L${x(bars.at(-1)?.to ?? 0)},${base}Z`}
      fill="var(--quiet)"
      fillOpacity={0.13}
    >
      <title>{say("How many past orders are worth how much: {orders, number} of them", { orders: data.orders })}</title>
    </path>
  );
});
