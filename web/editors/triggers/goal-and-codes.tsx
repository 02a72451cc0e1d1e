import { CodesField } from "./codes-field.tsx";
import { GoalFields } from "./goal-fields.tsx";
import type { TriggerFieldsProps, TriggerOf } from "./trigger-kind-editor.ts";

type Both = TriggerOf<"goal-and-code" | "goal-or-code">;

/** A goal and codes, whichever way they go together. */
export const GoalAndCodes = <One extends Both>({ trigger, onTrigger }: TriggerFieldsProps<One>) => (
  <>
    <GoalFields goal={trigger.goal} onGoal={(goal) => onTrigger({ ...trigger, goal })} />
    <CodesField codes={trigger.codes} onCodes={(codes) => onTrigger({ ...trigger, codes })} />
  </>
);
