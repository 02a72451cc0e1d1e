import type { ZoneContext } from "../../analysis/world.ts";
import { climb } from "../../climb/climb.ts";
import { priceAt } from "../../climb/interval.ts";
import { exponentOf } from "../../money/currency.ts";
import { inCurrency } from "../../money/rates.ts";
import { phrase } from "../../phrases/phrase.ts";
import { ratesOf } from "../../plan/plan.ts";
import { type Check, type CheckContext, onOption } from "../check.ts";
import type { Cliff } from "../kept-parts.ts";

/** A rise of delivery by more than this, in euro, as goods are added is more than shoppers expect. */
const STEEP = 1000;

/** Delivery that gets dearer by a lot as soon as a little is added. */
export const priceCliff: Check = {
  code: "price-cliff",
  severity: "odd",
  isSlow: true,
  *find(context) {
    const said = new Set<string>();
    for (const where of context.world.contexts) {
      const { zone, currency } = where;
      const key = JSON.stringify([zone.id, currency]);
      const cliffs = context.memory.cliffs.of(key, context.madeOf.prices(zone.id), () => cliffsIn(context, where));
      for (const { option, rise, past, from } of cliffs) {
        if (said.has(option)) continue;
        said.add(option);
        yield {
          sentence: phrase("{option} costs {money} more as soon as the cart passes {worth}.", {
            option: context.optionName(option),
            money: context.money(rise, currency),
            worth: context.money(past, currency),
          }),
          at: onOption({ id: option }, "/charge"),
          witness: context.request(where, from),
        };
      }
    }
  },
};

/** The steep rises in one place, as a plain cart grows. */
function cliffsIn(context: CheckContext, where: ZoneContext): Cliff[] {
  const unit = 10 ** (exponentOf(where.currency) ?? 2);
  const steep = inCurrency(STEEP, "EUR", where.currency, ratesOf(context.plan)) ?? 10 * unit;
  const result = climb(context.compiled, context.request(where, 0), 300 * unit, { progress: false });
  if (!("climb" in result) || !result.climb) return [];
  const { intervals, options } = result.climb;
  return intervals.flatMap((interval, i) => {
    const before = intervals[i - 1];
    if (!before || before.to === 0) return [];
    return options.flatMap((option, number): Cliff[] => {
      const [was, is] = [priceAt(before, number, before.to), priceAt(interval, number, interval.from)];
      if (typeof was !== "number" || typeof is !== "number" || is - was <= steep) return [];
      return [{ option, rise: is - was, past: before.to, from: interval.from }];
    });
  });
}
