import { readCart } from "../../cart/read-cart.ts";
import { storeCost } from "../../delivery/store-cost.ts";
import { exponentOf } from "../../money/currency.ts";
import { phrase } from "../../phrases/phrase.ts";
import { quote } from "../../quote/quote.ts";
import { type Check, onOption } from "../check.ts";

/** Small carts, in whole units of the currency: what larger ones are let off is meant. */
const VALUES = [1, 10];

/**
 * An option that charges less than what the delivery costs the store, before any offer: F12, common practice, no source: a small
 * cart's delivery pays for the trip.
 */
export const chargesLessThanItCosts: Check = {
  code: "charges-less-than-it-costs",
  severity: "risky",
  *find(context) {
    for (const option of context.plan.options) {
      const { costsStore } = option;
      if (option.on === false || !costsStore) continue;
      for (const where of context.contextsOf(option.zones)) {
        const unit = 10 ** (exponentOf(where.currency) ?? 2);
        const least = VALUES.map((value) => context.request(where, value * unit)).flatMap((request) => {
          const cart = readCart(request.cart, "/cart");
          const answer = quote(context.compiled, request, { text: false });
          const charged =
            "quote" in answer ? answer.quote.options.find(({ id }) => id === option.id)?.fullPrice : undefined;
          const cost = "lines" in cart ? storeCost(costsStore, cart.lines, context.amountContext(where)) : null;
          return typeof charged === "number" && cost !== null && charged < cost ? [{ request, charged, cost }] : [];
        })[0];
        if (!least) continue;
        const money = (minor: number) => context.money(minor, where.currency);
        const value = least.request.cart.lines[0]?.unitPrice ?? 0;
        yield {
          sentence: phrase(
            "{option} charges {money} for a cart of {worth} in {name}, and the delivery costs the store {cost}.",
            {
              option: context.optionName(option.id),
              money: money(least.charged),
              worth: money(value),
              name: where.zone.name,
              cost: money(least.cost),
            },
          ),
          at: onOption(option, "/costsStore"),
          witness: least.request,
        };
        break;
      }
    }
  },
};
