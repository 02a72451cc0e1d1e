import { phrase } from "../../../../core/phrases/phrase.ts";
import { say } from "../../../language/say.ts";
import { EditedAmounts } from "../../amounts/edited-amounts.tsx";
import { amountIn } from "../amount-in.ts";
import type { ChargeKindEditor } from "../charge-kind-editor.ts";

/** One price, whatever is in the cart. */
export const flat: ChargeKindEditor<"flat"> = {
  words: phrase("one price"),
  instead: (former) => ({ kind: "flat", amount: amountIn(former) }),
  Fields: ({ charge, onCharge }) => (
    <EditedAmounts
      name={say("Price")}
      rows={[
        {
          key: "amount",
          label: say("Price"),
          amount: charge.amount,
          set: (amount, done) => onCharge({ ...charge, amount }, done),
        },
      ]}
    />
  ),
};
