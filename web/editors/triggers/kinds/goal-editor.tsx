import { phrase } from "../../../../core/phrases/phrase.ts";
import { GoalFields } from "../goal-fields.tsx";
import type { TriggerKindEditor } from "../trigger-kind-editor.ts";

/** Earned by reaching a goal. */
export const goal: TriggerKindEditor<"goal"> = {
  words: phrase("reaching a goal"),
  instead: (_, kept) => ({ kind: "goal", goal: kept }),
  Fields: ({ trigger, onTrigger }) => (
    <GoalFields goal={trigger.goal} onGoal={(next) => onTrigger({ ...trigger, goal: next })} />
  ),
};
