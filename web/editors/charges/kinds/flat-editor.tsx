import { EditedAmounts } from "../../amounts/edited-amounts.tsx";
import { amountIn } from "../amount-in.ts";
import type { ChargeKindEditor } from "../charge-kind-editor.ts";

/** One price, whatever is in the cart. */
export const flat: ChargeKindEditor<"flat"> = {
  words: "one price",
  instead: (former) => ({ kind: "flat", amount: amountIn(former) }),
  Fields: ({ charge, onCharge }) => (
    <EditedAmounts
      name="Price"
      rows={[
        {
          key: "amount",
          label: "Price",
          amount: charge.amount,
          set: (amount, done) => onCharge({ ...charge, amount }, done),
        },
      ]}
    />
  ),
};
