import type { ChangedOrder } from "../../../core/evidence/replayed.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { csvOf } from "../../fields/csv-of.ts";
import { downloadText } from "../../fields/download-text.ts";
import { say } from "../../language/say.ts";
import { type OrderAmount, OrdersTable, orderCells } from "./orders-table.tsx";

type Props = { plan: Plan; orders: readonly ChangedOrder[]; hasRelease: boolean };

/** The orders that change most: each with why, on both sides, and to be looked at as its shopper. */
export function ChangedOrders({ plan, orders, hasRelease }: Props) {
  const shows: OrderAmount[] = hasRelease ? ["beside", "now"] : ["now"];
  const save = () => downloadText(csvOf(orderCells(plan, orders, shows)), "text/csv", "orders-that-change-most.csv");
  return (
    <section aria-label={say("Orders that change most")} className="mt-4">
      <div className="mb-1 flex flex-wrap items-end gap-3">
        <h2 className="text-[15px] font-bold">
          {hasRelease
            ? say("Orders whose delivery changes most against the release")
            : say("Orders whose delivery changes most")}
        </h2>
        <button type="button" className="btn btn-sm ml-auto" onClick={save}>
          {say("Save as CSV")}
        </button>
      </div>
      <OrdersTable plan={plan} label={say("Orders that change most")} orders={orders} shows={shows} />
    </section>
  );
}
