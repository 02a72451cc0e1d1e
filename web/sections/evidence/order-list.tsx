import { useInfiniteQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import type { Plan } from "../../../core/plan/plan.ts";
import type { ListedOrders } from "../../../server/evidence/list-orders.ts";
import { Loading } from "../../fields/loading.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { SaveCsv } from "../../fields/save-csv.tsx";
import { say } from "../../language/say.ts";
import { EVIDENCE } from "../../state/evidence-api.ts";
import { type OrderAmount, OrdersTable, orderCells } from "./orders-table.tsx";

type Props = {
  plan: Plan;
  /** What figure they make up: "Islands, 120 orders". */
  label: string;
  /** Tells the question from others. */
  name: readonly unknown[];
  ask: (after: string | undefined) => Promise<ListedOrders>;
  shows: readonly OrderAmount[];
};

/** The orders that a figure is made of, the latest first, some at a time. */
export function OrderList({ plan, label, name, ask, shows }: Props) {
  const { data, error, hasNextPage, isFetching, fetchNextPage } = useInfiniteQuery({
    queryKey: [...EVIDENCE, "list", ...name],
    queryFn: ({ pageParam }) => ask(pageParam),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: ({ after }) => after ?? undefined,
  });
  const orders = (data?.pages ?? []).flatMap((page) => page.orders);
  const isLooking = orders.length === 0 && hasNextPage && !isFetching && !error;
  // Where many days hold none of them, it is gone on until there is one.
  useEffect(() => {
    if (isLooking) void fetchNextPage();
  }, [isLooking, fetchNextPage]);
  if (error) return <NotLoaded error={error} />;
  if (!data || (orders.length === 0 && hasNextPage)) return <Loading />;
  return (
    <section aria-label={label} className="py-1 whitespace-normal">
      <div className="mb-1 flex flex-wrap items-center gap-3 text-[13px]">
        <h3 className="font-semibold">{label}</h3>
        <span role="status" className="text-quiet">
          {hasNextPage
            ? say("the latest {count, number} of them", { count: orders.length })
            : say("{count, plural, =0 {no order} one {one order} other {all # orders}}", { count: orders.length })}
        </span>
        <SaveCsv download="orders.csv" rows={() => orderCells(plan, orders, shows)} className="btn-xs ml-auto" />
      </div>
      <div className="max-h-96 overflow-y-auto">
        <OrdersTable plan={plan} label={label} orders={orders} shows={shows} />
      </div>
      {hasNextPage && (
        <button type="button" className="btn btn-sm mt-1" disabled={isFetching} onClick={() => void fetchNextPage()}>
          {say("Show earlier ones")}
        </button>
      )}
    </section>
  );
}
