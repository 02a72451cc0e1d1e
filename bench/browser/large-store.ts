import type { Plan } from "../../core/plan/plan.ts";
import type { Product } from "../../server/catalogue/product.ts";

const range = (length: number) => Array.from({ length }, (_, i) => i);

/** 500 zones, 200 options, 20 offers: as many as a store with a map of postcodes has. */
export function largeStore(): Plan {
  const zones = range(500).map((i) => `zone-${i}`);
  return {
    format: 2,
    store: { name: "Large", chosenAtFirst: { rule: "cheapest" } },
    markets: [
      {
        id: "portugal",
        position: 10,
        name: "Portugal",
        currencies: ["EUR"],
        languages: ["en"],
        timeZone: "Europe/Lisbon",
        pricesIncludeTax: true,
      },
    ],
    zones: zones.map((id, i) => ({
      id,
      position: i,
      market: "portugal",
      name: `Zone ${i}`,
      destinations: [{ country: "PT", postcodes: [`${1000 + i * 10}..${1009 + i * 10}`] }],
      standardTaxRate: "23",
    })),
    options: range(200).map((i) => ({
      id: `option-${i}`,
      position: i * 10,
      name: { en: `Option ${i}` },
      zones: zones.filter((_, z) => z % 20 === i % 20),
      charge: { kind: "flat", amount: { byCurrency: { EUR: `${3 + (i % 9)}.50` } } },
    })),
    offers: range(20).map((i) => ({
      id: `offer-${i}`,
      position: i * 10,
      name: `Offer ${i}`,
      on: true,
      zones: zones.filter((_, z) => z % 20 === i),
      counts: { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } },
      steps: [
        {
          id: "step-1",
          position: 10,
          trigger: { kind: "goal", goal: { at: { byCurrency: { EUR: "40" } }, edge: "from" } },
          reward: { kind: "free", options: [`option-${i}`] },
          wording: { "on-the-way": { en: "Add {remaining} more" } },
        },
      ],
    })),
  };
}

export const PRODUCTS: readonly Product[] = range(50_000).map((i) => ({
  sku: `sheet-${i}`,
  name: `Sheet ${i}`,
  prices: { EUR: `${(i % 90) + 1}.50` },
  weight: { value: String((i % 500) + 1), unit: "g" },
}));
