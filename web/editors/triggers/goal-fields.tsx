import { isLadderMark } from "../../../core/measures/measure-spec.ts";
import type { Goal } from "../../../core/offers/goal.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { MarkField } from "../amounts/mark-field.tsx";

type Props = { goal: Goal; onGoal: (goal: Goal) => void };

/** Which side owns a goal, and the goal itself where it is no amount of money: those stand in the goal grid. */
export const GoalFields = ({ goal, onGoal }: Props) => (
  <>
    <SelectField
      label={say("The goal")}
      value={goal.edge}
      choices={{ from: say("itself is enough"), above: say("has to be passed") }}
      onCommit={(edge) => onGoal({ ...goal, edge })}
    />
    <MarkField
      label={"weight" in goal.at ? say("Weight") : say("Items")}
      mark={goal.at}
      onMark={(at) => isLadderMark(at) && onGoal({ ...goal, at })}
    />
  </>
);
