import { phrase } from "../../../../core/phrases/phrase.ts";
import { say } from "../../../language/say.ts";
import { EditedAmounts } from "../../amounts/edited-amounts.tsx";
import { amountIn } from "../amount-in.ts";
import type { ChargeKindEditor } from "../charge-kind-editor.ts";

/** A price for each piece. */
export const perItem: ChargeKindEditor<"per-item"> = {
  words: phrase("a price for each item"),
  instead: (former) => ({ kind: "per-item", amount: amountIn(former) }),
  Fields: ({ charge, onCharge }) => (
    <EditedAmounts
      name={say("Price for each item")}
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
