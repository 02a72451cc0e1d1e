import type { ReplayPick } from "../../../core/evidence/listed-orders.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { evidenceApi } from "../../state/evidence-api.ts";
import { OrderList } from "./order-list.tsx";

type Props = { plan: Plan; job: string; pick: ReplayPick; label: string; release: number | null };

/** The orders that a figure of a replay is made of. */
export const ReplayedOrders = ({ plan, job, pick, label, release }: Props) => (
  <OrderList
    plan={plan}
    label={label}
    name={[job, pick]}
    ask={(after) => evidenceApi.ordersReplayed({ job, pick, ...(after === undefined ? {} : { after }) })}
    shows={pick.by === "why" ? [] : release === null ? ["now"] : ["beside", "now"]}
  />
);
