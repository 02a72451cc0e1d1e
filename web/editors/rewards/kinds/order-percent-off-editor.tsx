import { phrase } from "../../../../core/phrases/phrase.ts";
import { orderPercentOff as orderPercentOffReward } from "../../../../core/rewards/kinds/order-percent-off.ts";
import { setOptional } from "../../../state/set-optional.ts";
import { LeavesOutFields } from "../../amounts/basis-fields.tsx";
import { percentKept } from "../kept-parts.ts";
import { PercentField } from "../percent-field.tsx";
import type { RewardKindEditor } from "../reward-kind-editor.ts";

/** A part of the order is taken off, perhaps without some goods. */
export const orderPercentOff: RewardKindEditor<"order-percent-off"> = {
  words: phrase("percent off the order"),
  instead: (former) => ({
    kind: "order-percent-off",
    percent: percentKept(former) ?? orderPercentOffReward.example.percent,
  }),
  Fields: ({ reward, onReward }) => (
    <>
      <PercentField
        value={reward.percent}
        leaf="offer/steps/reward/order-percent-off/percent"
        onPercent={(percent) => onReward({ ...reward, percent }, true)}
      />
      <LeavesOutFields
        leavesOut={reward.leavesOut}
        onLeavesOut={(leavesOut) => onReward(setOptional(reward, "leavesOut", leavesOut), true)}
      />
    </>
  ),
};
