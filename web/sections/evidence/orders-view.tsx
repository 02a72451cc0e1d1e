import type { Plan } from "../../../core/plan/plan.ts";
import type { OrderOverview } from "../../../server/evidence/order-overview.ts";
import { say } from "../../language/say.ts";
import { OrdersFile } from "./orders-file.tsx";
import { PastGoalsEditor } from "./past-goals-editor.tsx";

/** What orders there are, where they come from, and the goals there were when they were made. */
export function OrdersView({ plan, overview }: { plan: Plan; overview: OrderOverview }) {
  return (
    <div className="grid gap-4">
      <Kept plan={plan} overview={overview} />
      <OrdersFile />
      <PastGoalsEditor plan={plan} />
    </div>
  );
}

function Kept({ plan, overview: { kinds, first, last } }: { plan: Plan; overview: OrderOverview }) {
  const all = kinds.reduce((sum, { orders }) => sum + orders, 0);
  const places = new Map<string, { market: string; currency: string; orders: number }>();
  for (const { market, currency, orders } of kinds) {
    const key = `${market} ${currency}`;
    places.set(key, { market, currency, orders: (places.get(key)?.orders ?? 0) + orders });
  }
  if (all === 0)
    return (
      <p>
        {say(
          "There are no past orders yet. Read a file below, or let the shop send them by a key that may: then goals can be set by what shoppers have done.",
        )}
      </p>
    );
  return (
    <section aria-label={say("Orders kept")}>
      <p>
        {say("{count, plural, one {One order} other {# orders}} from {first} to {last}, without cancelled ones.", {
          count: all,
          first: first ?? "",
          last: last ?? "",
        })}
      </p>
      <table aria-label={say("Orders kept")} className="table table-sm mt-1 w-auto text-[14px] [&_td]:text-[14px]">
        <thead>
          <tr className="text-[13px] text-quiet">
            <th scope="col">{say("Market")}</th>
            <th scope="col">{say("Currency")}</th>
            <th scope="col" className="text-right">
              {say("Orders")}
            </th>
          </tr>
        </thead>
        <tbody>
          {[...places.values()].map(({ market, currency, orders }) => (
            <tr key={`${market} ${currency}`}>
              <th scope="row" className="font-normal">
                {plan.markets.find(({ id }) => id === market)?.name ?? (market || say("not known"))}
              </th>
              <td>{currency}</td>
              <td className="text-right tabular-nums">{say("{count, number}", { count: orders })}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
