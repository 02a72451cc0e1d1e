import { optionNameApart } from "../../../../core/explain/option-name.ts";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { choicesOf, SelectField } from "../../../fields/select-field.tsx";
import { say, sayValue } from "../../../language/say.ts";
import { useEditing } from "../../editing.ts";
import { onKept } from "../kept-parts.ts";
import type { RewardFieldsProps, RewardKindEditor, RewardOf } from "../reward-kind-editor.ts";

/** Charged as another option is. */
export const optionPrice: RewardKindEditor<"option-price"> = {
  words: phrase("one option at another's price"),
  instead: (former, options) => {
    const on = onKept(former, options);
    return { kind: "option-price", ...on, of: options.find((id) => !on.options.includes(id)) ?? on.options[0] ?? "" };
  },
  Fields: OptionPriceFields,
};

function OptionPriceFields({ reward, onReward }: RewardFieldsProps<RewardOf<"option-price">>) {
  const { plan } = useEditing();
  return (
    <SelectField
      label={say("The price of")}
      value={reward.of}
      choices={choicesOf(plan.options, (option) => sayValue(optionNameApart(plan, option)))}
      onCommit={(of) => onReward({ ...reward, of }, true)}
    />
  );
}
