import { standpointFaults } from "../../core/samples/standpoint-faults.ts";
import type { Problem } from "../../core/schema/problem.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { checkStandpointForm } from "../validation/documents.ts";
import type { Standpoint } from "./standpoint-schema.ts";

/** A standpoint one can look from: of the right form, and nothing in it is impossible. */
export function checkStandpoint(data: unknown): Checked<Standpoint> {
  const checked = checkStandpointForm(data);
  if ("problems" in checked) return checked;
  const problems: Problem[] = standpointFaults(checked.value);
  return problems.length > 0 ? { problems } : checked;
}
