import type { ChangedOrder } from "../../../core/evidence/replayed.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { SaveCsv } from "../../fields/save-csv.tsx";
import { say } from "../../language/say.ts";
import { type OrderAmount, OrdersTable, orderCells } from "./orders-table.tsx";

type Props = { plan: Plan; orders: readonly ChangedOrder[]; hasRelease: boolean };

/** The orders that change most: each with why, on both sides, and to be looked at as its shopper. */
export function ChangedOrders({ plan, orders, hasRelease }: Props) {
  const shows: OrderAmount[] = hasRelease ? ["beside", "now"] : ["now"];
  return (
    <section aria-label={say("Orders that change most")} className="mt-4">
      <div className="mb-1 flex flex-wrap items-end gap-3">
        <h2 className="text-[15px] font-bold">
          {hasRelease
            ? say("Orders whose delivery changes most against the release")
            : say("Orders whose delivery changes most")}
        </h2>
        <SaveCsv download="orders-that-change-most.csv" rows={() => orderCells(plan, orders, shows)} />
      </div>
      <OrdersTable plan={plan} label={say("Orders that change most")} orders={orders} shows={shows} />
    </section>
  );
}
