import { gift as giftReward } from "../../../../core/rewards/kinds/gift.ts";
import { NumberField } from "../../../fields/number-field.tsx";
import { TextField } from "../../../fields/text-field.tsx";
import type { RewardKindEditor } from "../reward-kind-editor.ts";

/** Something is put in for nothing. */
export const gift: RewardKindEditor<"gift"> = {
  words: "a gift",
  instead: () => giftReward.example,
  Fields: ({ reward, onReward }) => (
    <>
      <TextField
        label="SKU of the gift"
        value={reward.sku}
        leaf="offer/steps/reward/gift/sku"
        onCommit={(sku) => onReward({ ...reward, sku }, true)}
      />
      <NumberField
        label="Pieces"
        value={reward.quantity}
        leaf="offer/steps/reward/gift/quantity"
        onCommit={(quantity) => onReward({ ...reward, quantity }, true)}
      />
    </>
  ),
};
