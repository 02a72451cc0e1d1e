import ArrowDown from "lucide-react/icons/arrow-down";
import ArrowUp from "lucide-react/icons/arrow-up";
import Trash2 from "lucide-react/icons/trash-2";
import { stepWords } from "../../../core/explain/offer-sentence.ts";
import type { Mark } from "../../../core/measures/measure-spec.ts";
import type { Amount } from "../../../core/money/amount.ts";
import type { Offer, Step } from "../../../core/offers/offer.ts";
import { goalOf, type Trigger } from "../../../core/offers/trigger.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { isOnOrder, type Reward } from "../../../core/rewards/reward.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { type AmountRow, AmountsTable } from "../../editors/amounts/amounts-table.tsx";
import { LeavesOutFields } from "../../editors/amounts/basis-fields.tsx";
import type { Column } from "../../editors/amounts/columns.ts";
import { NumberField } from "../../fields/number-field.tsx";
import { QuantityField, WEIGHT_UNITS } from "../../fields/quantity-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { optionName } from "../../names/option-name.ts";
import { setOptional } from "../../state/set-optional.ts";
import { CodesField } from "./codes-field.tsx";
import { rewardOfKind } from "./new-offer.ts";

type Props = {
  plan: Plan;
  offer: Offer;
  step: Step;
  number: number;
  columns: readonly Column[];
  onStep: (step: Step, done: boolean) => void;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
  onCancel: () => void;
};

const TRIGGERS = {
  goal: "reaching a goal",
  code: "a code",
  "goal-or-code": "reaching a goal, or a code",
  "goal-and-code": "reaching a goal, with a code",
  nothing: "nothing at all",
} as const;

const REWARDS = {
  free: "free delivery",
  "flat-price": "delivery at a flat price",
  "percent-off": "percent off delivery",
  "money-off": "money off delivery",
  allowance: "delivery free up to an allowance",
  "option-price": "one option at another's price",
  gift: "a gift",
  "order-percent-off": "percent off the order",
  "order-money-off": "money off the order",
} as const;

/** One rung of the ladder: what earns it and what it gives. Its spend goal stands in the goal grid. */
export function StepEditor({ plan, offer, step, number, columns, onStep, onMove, onRemove, onCancel }: Props) {
  const { trigger, reward } = step;
  const goal = goalOf(trigger);
  const set = (part: Partial<Step>, done = true) => onStep({ ...step, ...part }, done);
  const options = optionsFor(plan, offer);
  return (
    <section aria-label={`Step ${number}`} className="border-t border-base-300 py-3">
      <header className="flex items-center gap-1">
        <h3 className="mr-auto font-semibold">
          {number}. {stepWords(plan, step)}
        </h3>
        <IconButton words={`Move step ${number} down the ladder`} disabled={number === 1} onClick={() => onMove(-1)}>
          <ArrowUp size={14} aria-hidden />
        </IconButton>
        <IconButton
          words={`Move step ${number} up the ladder`}
          disabled={number === offer.steps.length}
          onClick={() => onMove(1)}
        >
          <ArrowDown size={14} aria-hidden />
        </IconButton>
        <IconButton words={`Remove step ${number}`} disabled={offer.steps.length === 1} onClick={onRemove}>
          <Trash2 size={14} aria-hidden />
        </IconButton>
      </header>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        <SelectField
          label="Earned by"
          value={trigger.kind}
          choices={TRIGGERS}
          onCommit={(kind) => set({ trigger: triggerOfKind(trigger, kind, offer) })}
        />
        {goal && "goal" in trigger && (
          <>
            <SelectField
              label="The goal"
              value={goal.edge}
              choices={{ from: "itself is enough", above: "has to be passed" }}
              onCommit={(edge) => set({ trigger: { ...trigger, goal: { ...goal, edge } } })}
            />
            <MarkField mark={goal.at} onMark={(at) => set({ trigger: { ...trigger, goal: { ...goal, at } } })} />
          </>
        )}
        {"codes" in trigger && (
          <CodesField codes={trigger.codes} onCodes={(codes) => set({ trigger: { ...trigger, codes } })} />
        )}
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <SelectField
          label="Gives"
          value={reward.kind}
          choices={REWARDS}
          onCommit={(kind) =>
            set({
              reward: rewardOfKind(
                reward,
                kind,
                options.map(({ id }) => id),
              ),
            })
          }
        />
        <RewardFields plan={plan} reward={reward} onReward={(next, done) => set({ reward: next }, done)} />
      </div>
      <RewardAmounts
        plan={plan}
        reward={reward}
        columns={columns}
        onReward={(next, done) => set({ reward: next }, done)}
        onCancel={onCancel}
      />
      {!isOnOrder(reward) && (
        <div className="mt-2 flex flex-wrap gap-x-6 gap-y-1 text-[13px]">
          <fieldset className="flex flex-wrap gap-x-3">
            <legend className="sr-only">Options it is given on</legend>
            <span className="text-quiet">On</span>
            {options.map((option) => (
              <Check
                key={option.id}
                words={`${optionName(option)}${sameName(options, option) ? ` (${option.id})` : ""}`}
                checked={reward.options.includes(option.id)}
                onCheck={(checked) => {
                  const next = reward.options.filter((id) => id !== option.id);
                  const chosen = checked ? [...next, option.id] : next;
                  if (chosen.length > 0) set({ reward: { ...reward, options: chosen } });
                }}
              />
            ))}
          </fieldset>
          <fieldset className="flex flex-wrap gap-x-3">
            <legend className="sr-only">What falls away with the charge</legend>
            <span className="text-quiet">With it</span>
            {(
              [
                ["handling", "handling", true],
                ["surcharges", "surcharges", true],
                ["ownCharges", "products' own charges", false],
              ] as const
            ).map(([part, words, otherwise]) => (
              <Check
                key={part}
                words={words}
                checked={reward.covers?.[part] ?? otherwise}
                onCheck={(checked) => set({ reward: { ...reward, covers: { ...reward.covers, [part]: checked } } })}
              />
            ))}
          </fieldset>
        </div>
      )}
    </section>
  );
}

const sameName = (options: readonly Named[], option: Named) =>
  options.some((other) => other.id !== option.id && optionName(other) === optionName(option));
type Named = Plan["options"][number];

/** The options that are offered where the offer holds, in the shopper's order. */
const optionsFor = (plan: Plan, offer: Offer) =>
  plan.options.filter((option) => option.zones.some((zone) => offer.zones.includes(zone))).sort(byPosition);

type IconProps = { words: string; disabled: boolean; onClick: () => void; children: React.ReactNode };

const IconButton = ({ words, disabled, onClick, children }: IconProps) => (
  <button type="button" className="btn btn-ghost btn-xs btn-square" disabled={disabled} onClick={onClick}>
    {children}
    <span className="sr-only">{words}</span>
  </button>
);

const Check = ({
  words,
  checked,
  onCheck,
}: {
  words: string;
  checked: boolean;
  onCheck: (checked: boolean) => void;
}) => (
  <label className="flex items-center gap-1.5">
    <input
      type="checkbox"
      className="checkbox checkbox-xs"
      checked={checked}
      onChange={(event) => onCheck(event.target.checked)}
    />
    {words}
  </label>
);

function triggerOfKind(trigger: Trigger, kind: Trigger["kind"], offer: Offer): Trigger {
  const goal = goalOf(trigger) ?? { at: firstMark(offer), edge: "from" as const };
  const codes = "codes" in trigger ? trigger.codes : ["WELCOME"];
  switch (kind) {
    case "nothing":
      return { kind };
    case "code":
      return { kind, codes };
    case "goal":
      return { kind, goal };
    default:
      return { kind, goal, codes };
  }
}

/** A goal in the terms the ladder is measured by. */
export function firstMark({ counts, steps }: Pick<Offer, "counts" | "steps">): Mark {
  if (counts.kind === "items") return { items: 5 };
  if (counts.kind === "weight") return { weight: { value: "5", unit: "kg" } };
  const amount = steps
    .map((step) => goalOf(step.trigger)?.at)
    .find((at) => at && ("byCurrency" in at || "byMarket" in at));
  return amount ?? { byCurrency: {} };
}

/** Goals of items and weight are edited here; amounts of money stand in the goal grid. */
function MarkField({ mark, onMark }: { mark: Mark; onMark: (mark: Mark) => void }) {
  if ("items" in mark)
    return (
      <NumberField
        label="Items"
        value={mark.items}
        least={1}
        most={1_000_000}
        onCommit={(items) => onMark({ items })}
      />
    );
  if ("weight" in mark)
    return (
      <QuantityField
        label="Weight"
        quantity={mark.weight}
        units={{ mg: "mg", ...WEIGHT_UNITS }}
        onQuantity={(weight) => onMark({ weight })}
      />
    );
  return null;
}

type RewardProps = { plan: Plan; reward: Reward; onReward: (reward: Reward, done: boolean) => void };

function RewardFields({ plan, reward, onReward }: RewardProps) {
  const set = (next: Reward) => onReward(next, true);
  switch (reward.kind) {
    case "percent-off":
    case "order-percent-off":
      return (
        <>
          <TextField
            label="Percent"
            className="w-20"
            value={reward.percent}
            validate={(text) =>
              /^(0|[1-9][0-9]{0,2})(\.[0-9]{1,6})?$/.test(text.trim()) && Number(text) <= 100
                ? null
                : "a percent from 0 to 100"
            }
            onCommit={(text) => set({ ...reward, percent: text.trim() })}
          />
          {reward.kind === "order-percent-off" && (
            <LeavesOutFields
              leavesOut={reward.leavesOut}
              onLeavesOut={(leavesOut) => set(setOptional(reward, "leavesOut", leavesOut))}
            />
          )}
        </>
      );
    case "option-price":
      return (
        <SelectField
          label="The price of"
          value={reward.of}
          choices={Object.fromEntries(plan.options.map((option) => [option.id, optionName(option)]))}
          onCommit={(of) => set({ ...reward, of })}
        />
      );
    case "gift":
      return (
        <>
          <TextField
            label="SKU of the gift"
            value={reward.sku}
            validate={(text) => (text.trim() === "" || text.length > 64 ? "an SKU" : null)}
            onCommit={(text) => set({ ...reward, sku: text.trim() })}
          />
          <NumberField
            label="Pieces"
            value={reward.quantity}
            least={1}
            most={1000}
            onCommit={(quantity) => set({ ...reward, quantity })}
          />
        </>
      );
    default:
      return null;
  }
}

type RewardAmountsProps = RewardProps & { columns: readonly Column[]; onCancel: () => void };

/** The amounts of a reward in every market's currency: its figure, and the option price up to which it is given. */
function RewardAmounts({ plan, reward, columns, onReward, onCancel }: RewardAmountsProps) {
  const row = (label: string, amount: Amount, set: (next: Amount) => Reward): AmountRow => ({
    key: label,
    label,
    amount,
    set: (next, done) => onReward(set(next), done),
  });
  const rows = [
    ...("amount" in reward ? [row("Amount", reward.amount, (amount) => ({ ...reward, amount }))] : []),
    ...(!isOnOrder(reward) && reward.limit
      ? [row("Where it costs at most", reward.limit, (limit) => ({ ...reward, limit }))]
      : []),
  ];
  return (
    <div className="mt-2 grid gap-1">
      {rows.length > 0 && <AmountsTable plan={plan} name="Reward" rows={rows} columns={columns} onCancel={onCancel} />}
      {!isOnOrder(reward) && (
        <Check
          words="only where the option costs no more than an amount"
          checked={reward.limit !== undefined}
          onCheck={(checked) => onReward(setOptional(reward, "limit", checked ? { byCurrency: {} } : undefined), true)}
        />
      )}
    </div>
  );
}
