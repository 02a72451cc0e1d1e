import type { Plan } from "../plan/plan.ts";

/** A plan of one market and one zone, Portugal in euro with 23 % tax, for tests to fill. */
export function oneZonePlan(filled: Pick<Plan, "options"> & Partial<Plan>): Plan {
  return {
    format: 2,
    store: { name: "One zone", chosenAtFirst: { rule: "first" } },
    markets: [
      {
        id: "m",
        position: 1,
        name: "M",
        currencies: ["EUR"],
        languages: ["en"],
        timeZone: "Europe/Lisbon",
        pricesIncludeTax: true,
      },
    ],
    zones: [{ id: "z", position: 1, market: "m", name: "Z", destinations: [{ country: "PT" }], standardTaxRate: "23" }],
    offers: [],
    ...filled,
  };
}
