import { type Amount, amountFor, resolveAmount } from "../../money/amount.ts";
import { inCurrency } from "../../money/rates.ts";
import { phrase } from "../../phrases/phrase.ts";
import { ratesOf } from "../../plan/plan.ts";
import { type Check, type CheckContext, onOffer } from "../check.ts";
import { spendGoalsIn } from "../goals.ts";

/** How far in percent a typed goal may be from what the others come to at today's rates, where the store says nothing. */
const FAR = 60;

/**
 * A goal typed for one currency that is far from the offer's others: a wrong currency, a slip, or left behind by a change. What a
 * zone has of its own is meant to be another.
 */
export const goalsDiffer: Check = {
  code: "goals-differ",
  severity: "risky",
  *find(context) {
    const rates = ratesOf(context.plan);
    const most = 1 + Number(context.plan.store.goalsMayStray ?? FAR) / 100;
    for (const { offer, amount, index } of spendGoalsIn(context.plan)) {
      const [home, ...others] = typedIn(context, offer.zones, amount);
      if (!home) continue;
      for (const other of others) {
        const expected = inCurrency(home.minor, home.currency, other.currency, rates);
        if (!expected || (other.minor <= expected * most && other.minor * most >= expected)) continue;
        const money = ({ minor, currency }: Typed) => context.money(minor, currency);
        yield {
          sentence: phrase(
            "Step {number} of “{name}” asks for {asked} in {market} and {typed} in {home}: at today’s rates that would be about {expected}.",
            {
              number: index + 1,
              name: offer.name,
              asked: money(other),
              market: other.market,
              typed: money(home),
              home: home.market,
              expected: context.money(expected, other.currency),
            },
          ),
          at: onOffer(offer, `/steps/${index}/trigger/goal/at`),
          witness: null,
        };
      }
    }
  },
};

type Typed = { readonly market: string; readonly currency: string; readonly minor: number };

/** An amount wherever it was typed, once for each market and currency. */
function typedIn(context: CheckContext, zones: readonly string[], amount: Amount): Typed[] {
  const typed = new Map<string, Map<string, Typed>>();
  for (const { market, currency, ...where } of context.contextsOf(zones)) {
    const amounts = context.amountContext({ market, currency, ...where });
    const found = resolveAmount(amount, amounts);
    if (!found || found.from === "conversion" || found.from === "zone") continue;
    const inMarket = typed.get(market.id) ?? new Map<string, Typed>();
    typed.set(market.id, inMarket);
    if (!inMarket.has(currency))
      inMarket.set(currency, { market: market.name, currency, minor: amountFor(amount, amounts) ?? 0 });
  }
  return [...typed.values()].flatMap((inMarket) => [...inMarket.values()]);
}
