import type { Plan } from "../../../core/plan/plan.ts";
import type { OrderOverview } from "../../../server/evidence/order-overview.ts";
import { SaveCsv } from "../../fields/save-csv.tsx";
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
  const heads = [say("Market"), say("Currency"), say("Orders")];
  const rows = [...places.values()].map(({ market, currency, orders }) => ({
    ...{ currency, orders, key: `${market} ${currency}` },
    name: plan.markets.find(({ id }) => id === market)?.name ?? (market || say("not known")),
  }));
  const cells = () => [heads, ...rows.map(({ name, currency, orders }) => [name, currency, orders])];
  return (
    <section aria-label={say("Orders kept")}>
      <p className="flex flex-wrap items-center gap-3">
        {say("{count, plural, one {One order} other {# orders}} from {first} to {last}, without cancelled ones.", {
          count: all,
          first: first ?? "",
          last: last ?? "",
        })}
        <SaveCsv download="orders-kept.csv" rows={cells} />
      </p>
      <table aria-label={say("Orders kept")} className="table table-sm mt-1 w-auto text-[14px] [&_td]:text-[14px]">
        <thead>
          <tr className="text-[13px] text-quiet">
            {heads.map((head) => (
              <th key={head} scope="col" className="last:text-right">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, name, currency, orders }) => (
            <tr key={key}>
              <th scope="row" className="font-normal">
                {name}
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
