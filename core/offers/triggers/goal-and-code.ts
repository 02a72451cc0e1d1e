import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { Codes, Goal } from "../goal.ts";
import { defineTrigger } from "../trigger-definition.ts";

/** A goal is reached and a code is entered. */
export const goalAndCode = defineTrigger({
  kind: "goal-and-code",
  schema: Type.Object({ kind: Type.Literal("goal-and-code"), goal: Goal, codes: Codes }, closed),
  example: {
    kind: "goal-and-code",
    goal: { at: { byCurrency: { EUR: "30.00" } }, edge: "from" },
    codes: ["PAPERPOST"],
  },
  goal: ({ goal }) => goal,
  codes: ({ codes }) => codes,
  codeRole: "needed",
  met: ({ codeEntered, goalMet }, step, now) => codeEntered(step, now) && goalMet(step, now),
  tail: (codes) => phrase(" with {codes}", { codes }),
});
