import { createElement } from "react";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { optionNameApart } from "../../../core/explain/option-name.ts";
import type { Amount } from "../../../core/money/amount.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import { type DeliveryReward, isOnOrder, type Reward } from "../../../core/rewards/reward.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { ChoicesField } from "../../fields/choices-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say, sayValue } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";
import type { AmountRow } from "../amounts/amounts-table.tsx";
import { EditedAmounts } from "../amounts/edited-amounts.tsx";
import { useEditing } from "../editing.ts";
import { OnlyFields } from "../goods/only-fields.tsx";
import { allowance } from "./kinds/allowance-editor.ts";
import { flatPrice } from "./kinds/flat-price-editor.ts";
import { free } from "./kinds/free-editor.ts";
import { gift } from "./kinds/gift-editor.tsx";
import { moneyOff } from "./kinds/money-off-editor.ts";
import { optionPrice } from "./kinds/option-price-editor.tsx";
import { orderMoneyOff } from "./kinds/order-money-off-editor.ts";
import { orderPercentOff } from "./kinds/order-percent-off-editor.tsx";
import { percentOff } from "./kinds/percent-off-editor.tsx";
import type { OnReward, RewardFieldsProps, RewardKindEditor, RewardOf } from "./reward-kind-editor.ts";

type Kind = Reward["kind"];

/** The editor of each kind of reward, in the order in which they are offered: a kind without one does not compile. */
const EDITORS: { readonly [One in Kind]: RewardKindEditor<One> } = {
  free,
  "flat-price": flatPrice,
  "percent-off": percentOff,
  "money-off": moneyOff,
  allowance,
  "option-price": optionPrice,
  gift,
  "order-percent-off": orderPercentOff,
  "order-money-off": orderMoneyOff,
};

const WORDS = Object.fromEntries(Object.entries(EDITORS).map(([kind, { words }]) => [kind, words]));

type Props = {
  reward: Reward;
  /** The delivery options it may be given on. */
  options: readonly DeliveryOption[];
  onReward: OnReward;
};

/** What a step gives: its kind and figures, its amounts, and what it is given on. */
export function RewardEditor({ reward, options, onReward }: Props) {
  return (
    <div>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <SelectField<Kind>
          label={say("Gives")}
          value={reward.kind}
          choices={WORDS}
          onCommit={(kind) => {
            const ids = options.map(({ id }) => id);
            onReward(EDITORS[kind].instead(reward, ids), true);
          }}
        />
        <RewardFields reward={reward} onReward={onReward} />
      </div>
      <RewardAmounts reward={reward} onReward={onReward} />
      <Share reward={reward} onReward={onReward} />
      {!isOnOrder(reward) && <OnDelivery reward={reward} options={options} onReward={onReward} />}
    </div>
  );
}

function RewardFields<One extends Kind>(props: RewardFieldsProps<RewardOf<One>>) {
  const kind: One = props.reward.kind;
  const { Fields } = EDITORS[kind];
  return Fields ? createElement<RewardFieldsProps<RewardOf<One>>>(Fields, props) : null;
}

/** The amounts of a reward in every market's currency: its figure, and the option price up to which it is given. */
function RewardAmounts({ reward, onReward }: Pick<Props, "reward" | "onReward">) {
  const row = (label: string, amount: Amount, set: (next: Amount) => Reward): AmountRow => ({
    key: label,
    label,
    amount,
    set: (next, done) => onReward(set(next), done),
  });
  const rows = [
    ...("amount" in reward ? [row(say("Amount"), reward.amount, (amount) => ({ ...reward, amount }))] : []),
    ...(!isOnOrder(reward) && reward.limit
      ? [row(say("Where it costs at most"), reward.limit, (limit) => ({ ...reward, limit }))]
      : []),
  ];
  return (
    <div className="mt-2 grid gap-1">
      {rows.length > 0 && <EditedAmounts name={say("Reward")} rows={rows} />}
      {!isOnOrder(reward) && (
        <CheckField
          label={say("only where the option costs no more than an amount")}
          checked={reward.limit !== undefined}
          onCommit={(isLimited) =>
            onReward(setOptional(reward, "limit", isLimited ? { byCurrency: {} } : undefined), true)
          }
        />
      )}
    </div>
  );
}

/** Parts of a price that fall away with the charge, with what holds unless it is said. */
const COVERED = [
  { part: "handling", words: phrase("handling"), otherwise: true },
  { part: "surcharges", words: phrase("surcharges"), otherwise: true },
  { part: "ownCharges", words: phrase("products' own charges"), otherwise: false },
] as const;

/** The goods whose share alone falls; another option's price is always all of one. */
function Share({ reward, onReward }: Pick<Props, "reward" | "onReward">) {
  if (isOnOrder(reward) || reward.kind === "option-price") return null;
  return (
    <OnlyFields
      words={say("profit")}
      only={reward.goods}
      parts={{ price: true, name: false }}
      onOnly={(goods, done) => onReward(setOptional(reward, "goods", goods), done)}
    />
  );
}

type OnDeliveryProps = Pick<Props, "options"> & { reward: DeliveryReward; onReward: OnReward };

/** Which options a reward is given on, and what falls away with the charge. */
function OnDelivery({ reward, options, onReward }: OnDeliveryProps) {
  const { plan } = useEditing();
  return (
    <div className="mt-2 flex flex-wrap gap-x-6 gap-y-1 text-[13px]">
      <ChoicesField
        label={say("Options it is given on")}
        lead={<span className="text-quiet">{say("Given on")}</span>}
        value={reward.options}
        choices={options.map((option) => ({
          value: option.id,
          words: sayValue(optionNameApart(plan, option)),
        }))}
        leaf="offer/steps/reward/free/options"
        onCommit={(chosen) => onReward({ ...reward, options: chosen }, true)}
      />
      <fieldset className="flex flex-wrap gap-x-3">
        <legend className="sr-only">{say("What falls away with the charge")}</legend>
        <span className="text-quiet">{say("With it")}</span>
        {COVERED.map(({ part, words, otherwise }) => (
          <CheckField
            key={part}
            label={say(words)}
            checked={reward.covers?.[part] ?? otherwise}
            onCommit={(isCovered) => onReward({ ...reward, covers: { ...reward.covers, [part]: isCovered } }, true)}
          />
        ))}
      </fieldset>
    </div>
  );
}
