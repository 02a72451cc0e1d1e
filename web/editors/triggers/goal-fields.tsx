import type { Mark } from "../../../core/measures/measure-spec.ts";
import type { Goal } from "../../../core/offers/goal.ts";
import { NumberField } from "../../fields/number-field.tsx";
import { QuantityField, WEIGHT_UNITS } from "../../fields/quantity-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";

type Props = { goal: Goal; onGoal: (goal: Goal) => void };

/** Which side owns a goal, and the goal itself where it is no amount of money: those stand in the goal grid. */
export const GoalFields = ({ goal, onGoal }: Props) => (
  <>
    <SelectField
      label="The goal"
      value={goal.edge}
      choices={{ from: "itself is enough", above: "has to be passed" }}
      onCommit={(edge) => onGoal({ ...goal, edge })}
    />
    <MarkField mark={goal.at} onMark={(at) => onGoal({ ...goal, at })} />
  </>
);

function MarkField({ mark, onMark }: { mark: Mark; onMark: (mark: Mark) => void }) {
  if ("items" in mark)
    return (
      <NumberField
        label="Items"
        value={mark.items}
        leaf="offer/steps/trigger/goal/goal/at/items"
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
