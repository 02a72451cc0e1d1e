import { conditionProblems } from "../conditions/problems.ts";
import type { Problem } from "../schema/problem.ts";
import { type Charge, chargeConditions, chargeParts } from "./charge.ts";
import type { ChargeReferences } from "./definition.ts";
import { chargeKind } from "./registry.ts";

/** Problems of a charge, of the conditions it asks and of the charges within it. */
export const chargeProblems = (charge: Charge, path: string, references: ChargeReferences): Problem[] => [
  ...chargeKind(charge).problems(charge, path, references),
  ...chargeConditions(charge).flatMap((asked) =>
    conditionProblems(asked.condition, `${path}${asked.path}`, references, references.saved),
  ),
  ...chargeParts(charge).flatMap((part) => chargeProblems(part.charge, `${path}${part.path}`, references)),
];
