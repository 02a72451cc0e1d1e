import { phrase } from "../../../../core/phrases/phrase.ts";
import { percentOff as percentOffReward } from "../../../../core/rewards/kinds/percent-off.ts";
import { onKept, percentKept } from "../kept-parts.ts";
import { PercentField } from "../percent-field.tsx";
import type { RewardKindEditor } from "../reward-kind-editor.ts";

/** A part of the price is taken off. */
export const percentOff: RewardKindEditor<"percent-off"> = {
  words: phrase("percent off delivery"),
  instead: (former, options) => ({
    kind: "percent-off",
    ...onKept(former, options),
    percent: percentKept(former) ?? percentOffReward.example.percent,
  }),
  Fields: ({ reward, onReward }) => (
    <PercentField
      value={reward.percent}
      leaf="offer/steps/reward/percent-off/percent"
      onPercent={(percent) => onReward({ ...reward, percent }, true)}
    />
  ),
};
