import type { Check } from "../check.ts";
import { statedConditions } from "../stated-conditions.ts";

/** A condition that nobody can fail: it says nothing. */
export const conditionAlwaysHolds: Check = {
  code: "condition-always-holds",
  severity: "odd",
  *find(context) {
    for (const { condition, zones, at, whose } of statedConditions(context.plan))
      if (context.decide(zones, condition, false).kind === "never")
        yield { sentence: `${whose} always holds: without it, nothing would change.`, at, witness: null };
  },
};
