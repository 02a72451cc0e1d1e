import type { Condition } from "../../conditions/condition.ts";
import { phrase } from "../../phrases/phrase.ts";
import { visitCharges } from "../../plan/visit-charges.ts";
import { type Check, onOption } from "../check.ts";

/** A list of cases of which none applies to some carts: the option is not offered to them. */
export const listLeavesGap: Check = {
  code: "list-leaves-gap",
  severity: "risky",
  *find(context) {
    for (const { option, charge, path } of visitCharges(context.plan)) {
      if (charge.kind !== "conditional") continue;
      const conditions = charge.entries.map(({ when }) => when);
      if (conditions.some((when) => when === undefined)) continue;
      const any: Condition = { kind: "any", of: conditions.filter((when) => when !== undefined) };
      const none: Condition = { kind: "not", of: any };
      const decision = context.decide(
        option.zones,
        option.when ? { kind: "all", of: [option.when, none] } : none,
        true,
      );
      if (decision.kind !== "witness") continue;
      yield {
        sentence: phrase("{option} has no price for some carts: none of its cases applies to them.", {
          option: context.optionName(option.id),
        }),
        at: onOption(option, path),
        witness: decision.request,
      };
    }
  },
};
