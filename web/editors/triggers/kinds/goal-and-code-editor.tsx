import { phrase } from "../../../../core/phrases/phrase.ts";
import { GoalAndCodes } from "../goal-and-codes.tsx";
import { keptCodes } from "../kept-codes.ts";
import type { TriggerKindEditor } from "../trigger-kind-editor.ts";

/** Earned by reaching a goal with a code. */
export const goalAndCode: TriggerKindEditor<"goal-and-code"> = {
  words: phrase("reaching a goal, with a code"),
  instead: (former, goal) => ({ kind: "goal-and-code", goal, codes: keptCodes(former) }),
  Fields: GoalAndCodes,
};
