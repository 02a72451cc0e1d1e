import { phrase } from "../../phrases/phrase.ts";
import { askedConditions } from "../asked-conditions.ts";
import type { Check } from "../check.ts";

/** A condition that contradicts itself, or the place it is for. */
export const conditionNeverHolds: Check = {
  code: "condition-never-holds",
  severity: "wrong",
  isSlow: true,
  *find(context) {
    for (const { condition, zones, at, whose } of askedConditions(context.plan))
      if (context.decide(zones, condition, true).kind === "never")
        yield {
          sentence: phrase("{whose} can never hold: its clauses contradict each other, or the place.", { whose }),
          at,
          witness: null,
        };
  },
};
