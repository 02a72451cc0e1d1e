import { CHARGE_KINDS } from "../core/charges/registry.ts";
import { CONDITION_EXAMPLES } from "../core/conditions/registry.ts";
import { TRIGGER_KINDS } from "../core/offers/trigger.ts";
import type { Plan } from "../core/plan/plan.ts";
import { DELIVERY_REWARDS, ORDER_REWARDS } from "../core/rewards/reward.ts";
import { checkPlan } from "../core/validation/documents.ts";
import { demoPlan, sound } from "../web/tests/demo-plan.ts";

const AMOUNT = { byCurrency: { EUR: "5.00" } };
const CONVERTED = {
  byCurrency: { EUR: "5.00" },
  converted: { table: "reference", to: { USD: { step: "1", direction: "nearest", lessOne: true } } },
};
const DISPLAY = {
  ...{ shape: "beads", position: "below", several: "nearest", closable: true },
  ...{ fill: "#1f6f54", track: "#d9e2dc" },
};
const PACKED = { packing: { value: "200", unit: "g" }, roundUpTo: { value: "100", unit: "g" } };
const LEFT_OUT = { leavesOut: { categories: ["sale"], tags: ["sale"], skus: ["sale"] } };

/** Bands by each measure, with all that can be set of it; from the first edge on so much more for each further unit. */
const bandsByEach = (location: string): object[] =>
  [
    { by: { kind: "items", ...LEFT_OUT }, mark: { items: 5 } },
    { by: { kind: "weight", ...LEFT_OUT, ...PACKED }, mark: { weight: { value: "5", unit: "kg" } } },
    { by: { kind: "volumetric-weight", divisor: 4000, ...PACKED }, mark: { weight: { value: "5", unit: "kg" } } },
    { by: { kind: "chargeable-weight", divisor: 4000, ...PACKED }, mark: { weight: { value: "5", unit: "kg" } } },
    { by: { kind: "volume" }, mark: { volume: { value: "5", unit: "dm3" } } },
    { by: { kind: "distance", from: location }, mark: { distance: { value: "5", unit: "km" } } },
  ].map(({ by, mark }) => ({
    ...{ kind: "bands", by, first: { fixed: AMOUNT, each: mark, more: AMOUNT } },
    edges: [
      { edge: "from", at: mark, price: { fixed: AMOUNT, each: mark, more: AMOUNT } },
      { edge: "from", at: doubled(mark), price: AMOUNT },
    ],
  }));

/** A mark further on. */
const doubled = (mark: object): object =>
  JSON.parse(JSON.stringify(mark).replace(/"5"|5/, (five) => five.replace("5", "10")));

/** Amounts in every form: of a currency, of one market or zone, converted. */
const everyForm = (market: string, zone: string) => ({
  ...CONVERTED,
  byCurrency: { EUR: "5.00", GBP: "4.00" },
  byMarket: { [market]: { EUR: "6.00" }, portugal: { EUR: "6.50" } },
  byZone: { [zone]: { EUR: "8.00" } },
});

const SOME_GOODS = { categories: ["sale"], tags: ["sale"], skus: ["sale"], condition: "used" };
const ONLY = { ...SOME_GOODS, name: { en: "goods on sale" } };
const PRICED = { price: { from: AMOUNT, upTo: { byCurrency: { EUR: "50.00" } } } };
const SCHEDULE = [
  {
    ...{ from: "2026-11-27", until: "2026-12-30T09:00" },
    again: { every: "week", interval: 2, days: [5], until: "2027-11-30", times: 5 },
  },
];
const windowsAt = (at: string) => ({
  ...{ at, lead: 60, ahead: 7 },
  slots: [{ id: "morning", days: [1, 2, 3], from: "09:00", until: "12:00", holds: 5 }],
});
const COSTS = [
  { per: "delivery", amount: AMOUNT },
  { per: "parcel", amount: AMOUNT, holds: { value: "2", unit: "kg" } },
  { per: "trip", amount: AMOUNT, deliveries: 4 },
];

/**
 * The demo with, besides, every kind of charge, condition, trigger and reward as its definition shows it, and the parts that the
 * demo makes no use of: whatever has an editor has something here to be edited.
 */
export function planWithEverySetting(): Plan {
  const plan = demoPlan();
  const [zone = "", other = ""] = plan.zones.map(({ id }) => id);
  const [home = ""] = plan.markets.map(({ id }) => id);
  const abroad = plan.zones.find(({ market }) => market === "united-states") ?? { id: zone, market: home };
  const [location = ""] = (plan.locations ?? []).map(({ id }) => id);
  const [option = "", cheaper = ""] = plan.options.map(({ id }) => id);
  const charges: unknown[] = [...CHARGE_KINDS.values()].map(({ example }) => example);
  const rewards: object[] = [...DELIVERY_REWARDS.values()].map(({ example }) => ({
    ...example,
    options: [option],
    limit: CONVERTED,
    covers: { handling: true, surcharges: true, ownCharges: false },
    ...("of" in example ? { of: cheaper } : { goods: { ...SOME_GOODS, ...PRICED } }),
  }));
  rewards.push(...[...ORDER_REWARDS.values()].map(({ example }) => example));
  // With room on both sides of each figure: where one end passes the other, both change.
  const days = { preparation: { least: 0, most: 20 }, transit: { least: 1, most: 20 } };
  const promises = [
    { kind: "arrives", from: location, cutOff: "15:00", workingDays: [1, 2, 3], ...days },
    { kind: "ready", at: location, lead: 60 },
  ];
  const step = (id: number, trigger: unknown, reward: unknown) => ({
    id: `step-${id}`,
    position: id,
    trigger,
    reward,
    wording: {},
  });
  const offer = (id: string, counts: unknown, steps: unknown[], more: object = {}) => ({
    ...{ id, position: 1000, name: id, purpose: "Everything there is", on: true, zones: [zone, other], counts, steps },
    ...{ schedule: SCHEDULE, channels: ["web"], limits: { overall: 5, perShopper: 1, guests: "every-time" } },
    ...{ stacking: { kind: "with", offers: [plan.offers[0]?.id] }, when: { kind: "signed-in" }, ...more },
  });
  const basis = { lineDiscounts: "in", orderDiscounts: "in", codes: "out", tax: "with", leavesOut: { tags: ["sale"] } };
  const triggers: unknown[] = [...TRIGGER_KINDS.values()].map(({ example }) =>
    "goal" in example ? { ...example, goal: { at: CONVERTED, edge: "from" } } : example,
  );
  const items = { kind: "goal-and-code", goal: { at: { items: 3 }, edge: "from" }, codes: ["THREE"] };
  const weight = {
    kind: "goal-or-code",
    goal: { at: { weight: { value: "2", unit: "kg" } }, edge: "from" },
    codes: ["HEAVY"],
  };
  return sound(
    checkPlan({
      ...plan,
      store: {
        ...plan.store,
        display: DISPLAY,
        channels: [{ id: "web", name: "Web shop" }],
        carriers: { osprelle: { account: "OS-4711" } },
        chosenAtFirst: { rule: "fastest-under", price: AMOUNT },
        words: { free: { en: "Free of charge" } },
        accepted: [{ code: "price-cliff", kind: "option", id: option, cause: "x", reason: "It is meant." }],
      },
      // By which an amount may be converted as well.
      rates: [
        ...(plan.rates ?? []),
        { id: "for-one-gbp", base: "GBP", days: [{ date: "2026-06-01", rates: { USD: "1.23", JPY: "193.5" } }] },
      ],
      zones: [
        ...plan.zones,
        {
          ...{ id: "rest", position: 1000, market: home, name: "Elsewhere", standardTaxRate: "0" },
          destinations: [{ restOfWorld: true, exceptCountries: ["CH"] }],
        },
        {
          ...{ id: "stopped", position: 1010, market: home, name: "Not now", standardTaxRate: "0" },
          ...{ on: false, whenOff: "stops-selling", destinations: [{ region: "PT-11" }] },
        },
      ],
      locations: (plan.locations ?? []).map((one) => ({ ...one, postcodeTable: { "4000-123": [41.15, -8.61] } })),
      options: [
        ...plan.options,
        ...[
          ...charges,
          ...bandsByEach(location),
          { kind: "flat", amount: everyForm(home, zone) },
          { kind: "carrier", carrier: "osprelle", service: "parcel", from: location, ...PACKED },
        ].map((charge, i) => ({
          ...{ id: `charged-${i}`, position: 1000 + i, name: { en: `Charged ${i}` }, zones: [zone, other], charge },
          ...{
            byZone: { [zone]: { charge, handling: { fixed: AMOUNT }, promise: promises[i % 2] } },
            minimum: AMOUNT,
          },
          ...{ markUp: { percent: "5", amount: AMOUNT }, handling: { fixed: AMOUNT, percentOfCharge: "5" } },
          ...{ rounding: { EUR: { step: "0.5", direction: "up", lessOne: true } }, entered: "with-tax", taxRate: "23" },
          // In every form, where a currency is converted into.
          ...{
            base: everyForm(abroad.market, zone),
            maximum: CONVERTED,
            costsStore: COSTS[i % 3],
            channels: ["web"],
            ...(i === 0 ? { zones: [zone, abroad.id] } : {}),
          },
          surcharges: [
            { id: "more", position: 10, name: { en: "More" }, when: { kind: "business" }, charge },
            { id: "again", position: 20, name: { en: "Again" }, charge: { kind: "flat", amount: AMOUNT } },
          ],
          ...{ promise: promises[i % 2], windows: windowsAt(location) },
          ...{
            way: { kind: "local", location, within: { value: "8", unit: "km" } },
            note: { en: "A note" },
            picture: PICTURE,
          },
        })),
      ],
      offers: [
        ...plan.offers,
        ...rewards.map((reward, i) =>
          offer(`rewards-${i}`, { kind: "value", basis }, [step(1, { kind: "nothing" }, reward)]),
        ),
        ...triggers.map((trigger, i) =>
          offer(`triggers-${i}`, { kind: "value", basis }, [step(1, trigger, { kind: "free", options: [option] })]),
        ),
        offer("by-value", { kind: "value", basis, only: ONLY }, [
          step(1, { kind: "nothing" }, { kind: "free", options: [option] }),
        ]),
        offer("by-items", { kind: "items", only: { ...ONLY, ...PRICED } }, [
          step(1, items, { kind: "free", options: [option] }),
        ]),
        offer("by-weight", { kind: "weight", only: ONLY, ...PACKED }, [
          step(1, weight, { kind: "free", options: [option] }),
        ]),
      ],
      notices: [
        ...(plan.notices ?? []),
        {
          ...{ id: "told", position: 1000, name: "Told", on: true, zones: [zone], when: { kind: "signed-in" } },
          ...{ schedule: SCHEDULE, surfaces: ["banner"], texts: { en: "A notice" } },
          link: { to: "/help", texts: { en: "More" } },
        },
      ],
      conditions: [
        ...(plan.conditions ?? []),
        ...CONDITION_EXAMPLES.map((when) => ({
          id: `when-${when.kind}`,
          name: `When ${when.kind}`,
          when: when.kind === "distance" ? { ...when, from: location } : when,
        })),
        { id: "when-either-saved", name: "Either saved", when: { kind: "saved", id: "when-business" } },
        ...(["price", "quantity", "weight"] as const).map((kind) => ({
          id: `line-${kind}`,
          name: `Line by ${kind}`,
          when: { kind: "line", how: "any", figure: { kind, is: "at-least", ...FIGURES[kind] } },
        })),
      ],
    }),
  );
}

/** The beginning of a picture is enough to be looked over. */
const PICTURE = { type: "image/png", data: `iVBORw0KGgo${"A".repeat(25)}`, width: 8, height: 8, alt: { en: "A sign" } };

const FIGURES = { price: { amount: AMOUNT }, quantity: { count: 2 }, weight: { weight: { value: "1", unit: "kg" } } };
