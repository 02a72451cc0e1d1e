import Trash2 from "lucide-react/icons/trash-2";
import type { Trace } from "../../../core/conditions/compile.ts";
import type { Condition } from "../../../core/conditions/condition.ts";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import type { AmountContext } from "../../../core/money/amount.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { freeId, lastPosition } from "../../../core/schema/positions.ts";
import { TextField } from "../../fields/text-field.tsx";
import { setOptional } from "../../state/set-optional.ts";
import { columnsOf } from "../amounts/columns.ts";
import { ConditionBuilder } from "../conditions/condition-builder.tsx";
import { ChargeEditor } from "./charge-editor.tsx";

type Props = {
  plan: Plan;
  option: DeliveryOption;
  context: AmountContext;
  explain: (condition: Condition) => Trace | null;
  onOption: (option: DeliveryOption, done: boolean) => void;
  onCancel: () => void;
};

/** Charges on top with names of their own, each perhaps under a condition. */
export function SurchargeList({ plan, option, context, explain, onOption, onCancel }: Props) {
  const surcharges = [...(option.surcharges ?? [])].sort(byPosition);
  const set = (next: typeof surcharges, done = true) => onOption({ ...option, surcharges: next }, done);
  return (
    <div className="grid gap-3">
      {surcharges.map((surcharge) => {
        const change = (part: Partial<typeof surcharge>, done = true) =>
          set(
            surcharges.map((one) => (one === surcharge ? { ...one, ...part } : one)),
            done,
          );
        return (
          <section
            key={surcharge.id}
            aria-label={surcharge.name.en ?? surcharge.id}
            className="border-l-2 border-base-300 pl-3"
          >
            <div className="flex items-end gap-2">
              <TextField
                label="Surcharge"
                value={surcharge.name.en ?? ""}
                validate={(text) => (text.trim() === "" ? "It needs a name" : null)}
                onCommit={(text) => change({ name: { ...surcharge.name, en: text.trim() } })}
              />
              <button
                type="button"
                className="btn btn-ghost btn-sm"
                onClick={() => set(surcharges.filter((one) => one !== surcharge))}
              >
                <Trash2 size={14} aria-hidden /> Remove
              </button>
            </div>
            <ConditionBuilder
              plan={plan}
              context={context}
              zones={option.zones}
              condition={surcharge.when}
              trace={surcharge.when ? explain(surcharge.when) : null}
              lead="It is charged for"
              onCondition={(when) =>
                set(surcharges.map((one) => (one === surcharge ? setOptional(surcharge, "when", when) : one)))
              }
            />
            <ChargeEditor
              plan={plan}
              charge={surcharge.charge}
              columns={columnsOf(plan, option.zones)}
              context={context}
              zones={option.zones}
              explain={explain}
              onCharge={(charge, done) => change({ charge }, done)}
              onCancel={onCancel}
            />
          </section>
        );
      })}
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        onClick={() => {
          const id = freeId(
            "surcharge",
            surcharges.map((one) => one.id),
          );
          const charge = { kind: "flat", amount: { byCurrency: { [context.currency]: "5" } } } as const;
          set([...surcharges, { id, position: lastPosition(surcharges), name: { en: "Surcharge" }, charge }]);
        }}
      >
        Add a surcharge
      </button>
    </div>
  );
}
