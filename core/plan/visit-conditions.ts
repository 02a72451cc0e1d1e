import type { Condition } from "../conditions/condition.ts";
import type { Plan } from "./plan.ts";
import { chargesIn } from "./visit-charges.ts";

/** Every condition that a plan states, wherever it stands: of offers, options, surcharges, cases, and those kept by name. */
export function conditionsIn(plan: Plan): Condition[] {
  const ofOptions = plan.options.flatMap((option) => [
    option.when,
    ...(option.surcharges ?? []).map(({ when }) => when),
    ...chargesIn(option).flatMap(({ charge }) =>
      charge.kind === "conditional" ? charge.entries.map(({ when }) => when) : [],
    ),
  ]);
  const all = [
    ...plan.offers.map(({ when }) => when),
    ...ofOptions,
    ...(plan.conditions ?? []).map(({ when }) => when),
  ];
  return all.filter((when) => when !== undefined);
}

/** The regions, and countries that are regions of others, that conditions ask for, a list for each clause. */
export function regionsAskedFor(conditions: readonly Condition[]): (readonly string[])[] {
  const open = [...conditions];
  const lists: (readonly string[])[] = [];
  for (let condition = open.pop(); condition !== undefined; condition = open.pop()) {
    if (condition.kind === "all" || condition.kind === "any") open.push(...condition.of);
    else if (condition.kind === "not") open.push(condition.of);
    else if (condition.kind === "region") lists.push(condition.regions);
    else if (condition.kind === "country") lists.push(condition.countries);
  }
  return lists;
}
