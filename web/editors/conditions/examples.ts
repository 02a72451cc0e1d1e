import { CONDITION_EXAMPLES } from "../../../core/conditions/registry.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { Clause } from "./clause-editor.ts";

/**
 * What each kind of clause starts as: the example of its definition, about places and currencies that the store has. A kind that
 * needs what the store does not have is left out.
 */
export const examplesFor = (plan: Plan): Clause[] =>
  CONDITION_EXAMPLES.flatMap((example): Clause[] => {
    switch (example.kind) {
      case "distance": {
        const from = plan.locations?.[0]?.id;
        return from === undefined ? [] : [{ ...example, from }];
      }
      case "country":
      case "billing": {
        const countries = firstCountry(plan);
        return [countries.length > 0 ? { ...example, countries } : example];
      }
      case "currency": {
        const currency = plan.markets[0]?.currencies[0];
        return [currency === undefined ? example : { ...example, currencies: [currency] }];
      }
      case "total-spent":
      case "value":
        return [{ ...example, amount: inOwnCurrency(example.amount, plan) }];
      default:
        return [example];
    }
  });

type Amount = Extract<Clause, { kind: "value" }>["amount"];

/** The same figure in the currency of the first market. */
function inOwnCurrency(amount: Amount, plan: Plan): Amount {
  const currency = plan.markets[0]?.currencies[0];
  const figure = Object.values(amount.byCurrency ?? {})[0];
  return currency === undefined || figure === undefined ? amount : { byCurrency: { [currency]: figure } };
}

/** The country that the first zone with one delivers to. */
function firstCountry({ zones }: Plan): string[] {
  const first = zones.flatMap(({ destinations }) =>
    destinations.flatMap((one) => ("country" in one && one.country ? [one.country] : [])),
  )[0];
  return first === undefined ? [] : [first];
}

/** What a condition starts as where any will do; it is there to be changed. */
export const firstClause = (plan: Plan): Clause =>
  examplesFor(plan).find(({ kind }) => kind === "items") ?? { kind: "signed-in" };
