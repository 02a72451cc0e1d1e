import type { Charge } from "../../charges/charge.ts";
import { amountFor } from "../../money/amount.ts";
import { amountsIn } from "../../money/amounts-in.ts";
import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOption } from "../check.ts";

/** An amount that is missing in a currency the option is sold in: for some carts it cannot be had there. */
export const optionWithoutPrice: Check = {
  code: "option-without-price",
  severity: "wrong",
  *find(context) {
    for (const option of context.plan.options) {
      if (option.on === false) continue;
      const missing = new Map<string, string[]>();
      // Conditions make nothing unavailable by themselves.
      const amountsOf = (charge: Charge) =>
        amountsIn([charge, option.base, option.handling, option.minimum, option.maximum, option.markUp], ["when"]);
      const usual = amountsOf(option.charge);
      for (const where of context.contextsOf(option.zones)) {
        const own = option.byZone?.[where.zone.id]?.charge;
        const amounts = own ? amountsOf(own) : usual;
        if (amounts.every((amount) => amountFor(amount, context.amountContext(where)) !== undefined)) continue;
        missing.set(where.currency, [...(missing.get(where.currency) ?? []), where.zone.name]);
      }
      for (const [currency, zones] of missing)
        yield {
          sentence: phrase(
            "{option} lacks an amount in {currency}: in {list} it has no price, for some carts at least.",
            { option: context.optionName(option.id), currency, list: context.list(zones) },
          ),
          at: onOption(option, "/charge"),
          witness: null,
        };
    }
  },
};
