import { singleValues } from "../../analysis/single-values.ts";
import type { Condition } from "../../conditions/condition.ts";
import { phrase } from "../../phrases/phrase.ts";
import { visitCharges } from "../../plan/visit-charges.ts";
import { type Check, onOption } from "../check.ts";

/** A list that is added up, of which two cases meet: at the value that both include, both are charged. */
export const sumCountsTwice: Check = {
  code: "sum-counts-twice",
  severity: "wrong",
  *find(context) {
    for (const { option, charge, path } of visitCharges(context.plan)) {
      if (charge.kind !== "conditional" || charge.take !== "sum") continue;
      for (const [i, { when }] of charge.entries.entries())
        for (const [j, { when: other }] of charge.entries.entries()) {
          if (j <= i || !when || !other) continue;
          const both: Condition = { kind: "all", of: [when, other] };
          const met = singleValues(context.worldIn(option.zones), both, true);
          // Where they lie over each other for longer, it is meant.
          if (!met || met.others || met.ways.length === 0) continue;
          const found = context.decide(option.zones, both, true);
          if (found.kind !== "witness") continue;
          yield {
            sentence: phrase(
              "{option} charges cases {number} and {other} both where one ends and the other begins: each includes that value.",
              { option: context.optionName(option.id), number: i + 1, other: j + 1 },
            ),
            at: onOption(option, `${path}/entries/${j}/when`),
            witness: found.request,
          };
        }
    }
  },
};
