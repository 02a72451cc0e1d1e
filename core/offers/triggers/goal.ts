import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { Goal } from "../goal.ts";
import { defineTrigger } from "../trigger-definition.ts";

/** A goal is reached. */
export const goal = defineTrigger({
  kind: "goal",
  schema: Type.Object({ kind: Type.Literal("goal"), goal: Goal }, closed),
  example: { kind: "goal", goal: { at: { byCurrency: { EUR: "45.00" } }, edge: "from" } },
  goal: (trigger) => trigger.goal,
  codes: () => [],
  codeRole: "none",
  met: ({ goalMet }, step, now) => goalMet(step, now),
  tail: () => "",
});
