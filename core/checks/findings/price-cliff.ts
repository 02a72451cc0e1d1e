import { climb } from "../../climb/climb.ts";
import { priceAt } from "../../climb/interval.ts";
import { exponentOf } from "../../money/currency.ts";
import { inCurrency } from "../../money/rates.ts";
import { phrase } from "../../phrases/phrase.ts";
import { ratesOf } from "../../plan/plan.ts";
import { type Check, onOption } from "../check.ts";

/** A rise of delivery by more than this, in euro, as goods are added is more than shoppers expect. */
const STEEP = 1000;

/** Delivery that gets dearer by a lot as soon as a little is added. */
export const priceCliff: Check = {
  code: "price-cliff",
  severity: "odd",
  *find(context) {
    const rates = ratesOf(context.plan);
    const said = new Set<string>();
    for (const where of context.world.contexts) {
      const unit = 10 ** (exponentOf(where.currency) ?? 2);
      const steep = inCurrency(STEEP, "EUR", where.currency, rates) ?? 10 * unit;
      const result = climb(context.compiled, context.request(where, 0), 300 * unit);
      if (!("climb" in result) || !result.climb) continue;
      const { intervals, options } = result.climb;
      for (const [i, interval] of intervals.entries()) {
        const before = intervals[i - 1];
        if (!before || before.to === 0) continue;
        for (const [number, id] of options.entries()) {
          const [was, is] = [priceAt(before, number, before.to), priceAt(interval, number, interval.from)];
          if (typeof was !== "number" || typeof is !== "number" || is - was <= steep || said.has(id)) continue;
          said.add(id);
          yield {
            sentence: phrase("{option} costs {money} more as soon as the cart passes {worth}.", {
              option: context.optionName(id),
              money: context.money(is - was, where.currency),
              worth: context.money(before.to, where.currency),
            }),
            at: onOption({ id }, "/charge"),
            witness: context.request(where, interval.from),
          };
        }
      }
    }
  },
};
