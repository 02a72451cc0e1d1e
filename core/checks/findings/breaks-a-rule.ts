import { entitiesOf } from "../../plan/entities.ts";
import { savedOf } from "../../plan/plan.ts";
import { ruleProblems } from "../../plan/problems/rules.ts";
import type { Check } from "../check.ts";

/** What edits and new releases are refused for, in a plan made before there was such a rule. */
export const breaksARule: Check = {
  code: "breaks-a-rule",
  severity: "wrong",
  *find({ plan }) {
    const saved = savedOf(plan);
    for (const entity of entitiesOf(plan))
      for (const { path, message } of ruleProblems(entity, saved))
        yield {
          sentence: `A part of ${entity.kind} “${entity.id}” ${message}; nothing can be released until it is mended.`,
          at: { kind: entity.kind, id: entity.id, path },
          witness: null,
        };
  },
};
