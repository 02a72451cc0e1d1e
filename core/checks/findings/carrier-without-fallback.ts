import { phrase } from "../../phrases/phrase.ts";
import { visitCharges } from "../../plan/visit-charges.ts";
import { type Check, onOption } from "../check.ts";

/** A live carrier without a fallback: when it is slow or down, the option is gone. */
export const carrierWithoutFallback: Check = {
  code: "carrier-without-fallback",
  severity: "risky",
  *find({ plan, optionName }) {
    for (const { option, charge, path } of visitCharges(plan))
      if (charge.kind === "carrier" && !charge.fallback)
        yield {
          sentence: phrase("{option} cannot be had while {carrier} does not answer: it has no fallback.", {
            option: optionName(option.id),
            carrier: charge.carrier,
          }),
          at: onOption(option, path),
          witness: null,
        };
  },
};
