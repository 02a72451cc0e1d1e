import type { Plan } from "../../core/plan/plan.ts";
import { problemLine } from "../../core/schema/problem.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { checkPlan } from "../../core/validation/documents.ts";
import demo from "../../demo/plan.json" with { type: "json" };

/** The plan in demo/. */
export const demoPlan = (): Plan => sound(checkPlan(demo));

/** @throws Error for what is no plan, with what is wrong with it */
export function sound(checked: Checked<Plan>): Plan {
  if ("problems" in checked) throw new Error(checked.problems.map(problemLine).join("; "));
  return checked.value;
}
