import type { Charge } from "../../core/charges/charge.ts";
import type { Condition } from "../../core/conditions/condition.ts";
import type { DeliveryOption } from "../../core/delivery/option.ts";
import type { Amount } from "../../core/money/amount.ts";
import type { Offer, Step } from "../../core/offers/offer.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import type { DeliveryReward } from "../../core/rewards/reward.ts";

// The plan that the engine is measured on: 6 markets, 20 zones, 12 options, 15 offers, 40 conditions of three clauses.
const COUNTRIES = ["PT", "DE", "FR", "ES", "IT", "FI"] as const;
const OPTIONS = 12;
const CONDITIONS = 40;

const euro = (minor: number): Amount => ({ byCurrency: { EUR: (minor / 100).toFixed(2) } });
const BASIS = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } as const;
const VALUE = { kind: "value", basis: BASIS } as const;
const range = (length: number) => Array.from({ length }, (_, i) => i);
const pick = <T>(from: readonly [T, ...T[]], i: number): T => from[i % from.length] ?? from[0];

/** Three clauses each, of kinds that every peer can be told in its own language. */
function condition(i: number): Condition {
  const clause = (k: number): Condition =>
    pick<Condition>(
      [
        { kind: "signed-in" },
        { kind: "orders", is: "at-least", count: k % 5 },
        { kind: "items", is: "at-most", count: 10 + (k % 30) },
        { kind: "value", basis: BASIS, is: "at-least", amount: euro(500 + 700 * (k % 9)) },
        { kind: "group", groups: [k % 2 ? "trade" : "readers"] },
        { kind: "weight", is: "less-than", weight: { value: String(500 + 900 * (k % 12)), unit: "g" } },
        { kind: "code", codes: [`CODE${k % 7}`] },
        { kind: "business" },
        { kind: "goods", by: "tags", how: "any", of: ["oversize", pick(["paper", "ink", "clearance"], k)] },
        { kind: "goods", by: "tags", how: "none", of: ["gift-card", pick(["fragile", "pens"], k)] },
        { kind: "postcode", country: "PT", patterns: ["9*"] },
      ],
      k,
    );
  const of = [clause(i), clause(3 * i + 1), clause(5 * i + 2)];
  return { kind: i % 3 === 0 ? "all" : "any", of };
}

function charge(i: number): Charge {
  const flat = (minor: number): Charge => ({ kind: "flat", amount: euro(minor) });
  const weight = { kind: "weight" } as const;
  return pick<Charge>(
    [
      flat(490 + 10 * i),
      {
        kind: "bands",
        by: VALUE,
        first: euro(900 + i),
        edges: range(6).map((k) => ({ edge: "from", at: euro(2500 * (k + 1)), price: euro(850 - 100 * k) })),
      },
      {
        kind: "bands",
        by: weight,
        first: euro(700),
        edges: range(5).map((k) => ({
          edge: "above",
          at: { weight: { value: String(k + 1), unit: "kg" } },
          price: euro(900 + 200 * k),
        })),
      },
      {
        kind: "conditional",
        take: "first",
        entries: [
          { position: 1, when: { kind: "saved", id: `c${27 + (i % 13)}` }, charge: flat(350) },
          { position: 2, charge: flat(1150) },
        ],
      },
    ],
    i,
  );
}

type Handling = "none" | "percent";

function option(i: number, zones: string[], handling: Handling, flat: boolean): DeliveryOption {
  return {
    id: `option${i}`,
    position: i,
    name: { en: `Option ${i}` },
    zones,
    ...(flat ? {} : { when: { kind: "saved", id: `c${i}` } }),
    charge: flat ? { kind: "flat", amount: euro(490 + 90 * i) } : charge(i),
    ...(handling === "percent" ? { handling: { percentOfGoods: "3.5" } } : {}),
  };
}

function offer(i: number, zones: string[]): Offer {
  const options = range(6).map((k) => `option${(i + k) % OPTIONS}`);
  const first: DeliveryReward =
    i % 2 === 0 ? { kind: "percent-off", options, percent: "40" } : { kind: "money-off", options, amount: euro(250) };
  const step = (k: number): Step => ({
    id: `step${k}`,
    position: k,
    trigger: { kind: "goal", goal: { at: euro(3000 + 400 * (i % 9) + 4000 * k), edge: "from" } },
    reward: k === 0 ? first : { kind: "free", options },
    wording: {
      "on-the-way": { en: "Add {remaining} more for less to pay" },
      reached: { en: "You pay less for delivery" },
    },
  });
  return {
    id: `offer${i}`,
    position: i,
    name: `Offer ${i}`,
    on: true,
    zones,
    when: { kind: "saved", id: `c${12 + (i % 15)}` },
    ...(i % 3 === 0 ? { stacking: { kind: "any" } } : {}),
    counts: VALUE,
    steps: [step(0), step(1)],
  };
}

/** @param times how many times the offers and zones; each offer is for four zones whatever their number */
export function fixturePlan(
  times: number,
  { handling = "none", flat = false }: { handling?: Handling; flat?: boolean } = {},
): Plan {
  const zoneCount = 20 * times;
  const zone = (i: number) => `zone${i % zoneCount}`;
  // Zones of one country share it out by postcode.
  const perCountry = Math.ceil(zoneCount / COUNTRIES.length);
  const width = Math.floor(100_000 / perCountry);
  const digits = (n: number) => String(n).padStart(5, "0");
  return {
    format: 2,
    store: { name: "Bench", chosenAtFirst: { rule: "cheapest" } },
    markets: COUNTRIES.map((country, i) => ({
      id: country.toLowerCase(),
      position: i,
      name: country,
      currencies: ["EUR"],
      languages: ["en"],
      timeZone: "Europe/Paris",
      pricesIncludeTax: true,
    })),
    zones: range(zoneCount).map((i) => {
      const country = pick(COUNTRIES, i);
      const start = Math.floor(i / COUNTRIES.length) * width;
      const postcodes =
        country === "PT"
          ? [`${digits(start).slice(0, 4)}..${digits(start + width - 10).slice(0, 4)}`]
          : [`${digits(start)}..${digits(start + width - 1)}`];
      return {
        id: zone(i),
        position: i,
        market: country.toLowerCase(),
        name: zone(i),
        destinations: [{ country, postcodes }],
        standardTaxRate: "20",
      };
    }),
    options: range(OPTIONS).map((i) =>
      option(
        i,
        range(zoneCount)
          .filter((z) => (z + i) % 3 === 0)
          .map(zone),
        handling,
        flat,
      ),
    ),
    offers: range(15 * times).map((i) =>
      offer(
        i,
        range(4).map((k) => zone(4 * i + k)),
      ),
    ),
    conditions: range(CONDITIONS).map((i) => ({ id: `c${i}`, name: `Condition ${i}`, when: condition(i) })),
  };
}

/** A shopper of whom everything is known, with a cart below most goals. */
export const REQUEST: QuoteRequest = {
  at: "2026-11-28T10:00:00Z",
  currency: "EUR",
  locale: "en",
  destination: { country: "DE", postcode: "00100" },
  shopper: { id: "s", signedIn: true, groups: ["trade"], orderCount: 3, lastOrderAt: "2026-10-01T00:00:00Z" },
  cart: {
    codes: ["CODE3"],
    lines: [
      { sku: "a", quantity: 2, unitPrice: 980, tags: ["paper", "present"], weight: { value: "260", unit: "g" } },
      { sku: "b", quantity: 1, unitPrice: 1250, tags: ["ink"], weight: { value: "95", unit: "g" } },
      { sku: "c", quantity: 3, unitPrice: 140, tags: ["pens", "small"], weight: { value: "5", unit: "g" } },
    ],
  },
};
