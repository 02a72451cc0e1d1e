import { phrase } from "../../../../core/phrases/phrase.ts";
import { GoalAndCodes } from "../goal-and-codes.tsx";
import { keptCodes } from "../kept-codes.ts";
import type { TriggerKindEditor } from "../trigger-kind-editor.ts";

/** Earned by reaching a goal, or by a code instead. */
export const goalOrCode: TriggerKindEditor<"goal-or-code"> = {
  words: phrase("reaching a goal, or a code"),
  instead: (former, goal) => ({ kind: "goal-or-code", goal, codes: keptCodes(former) }),
  Fields: GoalAndCodes,
};
