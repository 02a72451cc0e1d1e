import { useState } from "react";
import type { ValueCounting } from "../../../core/evidence/order-facts.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { OrderFilter } from "../../../server/orders/order-filter.ts";
import { evidenceApi } from "../../state/evidence-api.ts";
import { OrderList } from "./order-list.tsx";

/** Orders that are looked at, and how what they are worth is counted. */
export type Looked = { readonly plan: Plan; readonly filter: OrderFilter; readonly counting: ValueCounting };

type Props = Looked & {
  /** From what one is worth, and less than what; without an end, all from there on. */
  from: number;
  below?: number;
  label: string;
};

/** The orders of a stretch of worths. */
export const OrdersWorth = ({ plan, filter, counting, from, below, label }: Props) => {
  const asked = { filter, counting, from, ...(below === undefined ? {} : { below }) };
  return (
    <OrderList
      plan={plan}
      label={label}
      name={[asked]}
      ask={(after) => evidenceApi.ordersWorth({ ...asked, ...(after === undefined ? {} : { after }) })}
      shows={["worth"]}
    />
  );
};

/** The same behind a button that shows and hides them. */
export function OpenOrdersWorth({ words, ...props }: Props & { words: string }) {
  const [opened, setOpened] = useState(false);
  return (
    <>
      <button
        type="button"
        className="link justify-self-start text-[13px]"
        aria-expanded={opened}
        onClick={() => setOpened(!opened)}
      >
        {words}
      </button>
      {opened && <OrdersWorth {...props} />}
    </>
  );
}
