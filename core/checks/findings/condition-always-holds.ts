import { phrase } from "../../phrases/phrase.ts";
import { askedConditions } from "../asked-conditions.ts";
import type { Check } from "../check.ts";

/** A condition that nobody can fail: it says nothing. */
export const conditionAlwaysHolds: Check = {
  code: "condition-always-holds",
  severity: "odd",
  isSlow: true,
  *find(context) {
    for (const { condition, zones, at, whose } of askedConditions(context.plan))
      if (context.decide(zones, condition, false).kind === "never")
        yield {
          sentence: phrase("{whose} always holds: without it, nothing would change.", { whose }),
          at,
          witness: null,
        };
  },
};
