import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { Codes, Goal } from "../goal.ts";
import { defineTrigger } from "../trigger-definition.ts";

/** A goal is reached, or a code stands for it. */
export const goalOrCode = defineTrigger({
  kind: "goal-or-code",
  schema: Type.Object({ kind: Type.Literal("goal-or-code"), goal: Goal, codes: Codes }, closed),
  example: { kind: "goal-or-code", goal: { at: { items: 3 }, edge: "from" }, codes: ["INKLOVE"] },
  goal: ({ goal }) => goal,
  codes: ({ codes }) => codes,
  codeRole: "stands-for-goal",
  met: ({ codeEntered, goalMet }, step, now) => codeEntered(step, now) || goalMet(step, now),
  tail: (codes) => phrase(" or with {codes}", { codes }),
});
