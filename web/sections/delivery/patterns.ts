import type { Charge } from "../../../core/charges/charge.ts";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { freeId, lastPosition } from "../../../core/schema/positions.ts";

import { FIRST_UNITS, type UnitSystem, unitsOf } from "../../names/units.ts";

/** A common set-up: what it adds is ordinary settings, to be changed like any other. */
export type Pattern = {
  readonly id: string;
  readonly name: Phrase;
  readonly adds: Phrase;
  readonly needsLocation?: boolean;
  /** Whether it goes to every zone of the market, not only to the one looked from. */
  readonly wholeMarket?: boolean;
  /** @param others the market's other zones */
  readonly make: (
    currencies: readonly string[],
    location: string,
    others: readonly string[],
    system: UnitSystem,
  ) => Omit<DeliveryOption, "id" | "position" | "zones">;
};

/** The same round figure in every currency, to be settled by hand. */
const amount = (currencies: readonly string[], figure: string) => ({
  byCurrency: Object.fromEntries(currencies.map((code) => [code, figure])),
});
const BASIS = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } as const;
const parcel = (value: string, system: UnitSystem) => ({ weight: { value, unit: FIRST_UNITS[system].parcel } });

const bandsByValue = (codes: readonly string[]): Charge => ({
  kind: "bands",
  by: { kind: "value", basis: BASIS },
  first: amount(codes, "8"),
  edges: [
    { edge: "from", at: amount(codes, "50"), price: amount(codes, "5") },
    { edge: "from", at: amount(codes, "100"), price: "free" },
  ],
});

export const PATTERNS: readonly Pattern[] = [
  {
    id: "flat",
    name: phrase("One price"),
    adds: phrase("an option that costs 5 for every cart"),
    make: (codes) => ({ name: { en: "Standard" }, charge: { kind: "flat", amount: amount(codes, "5") } }),
  },
  {
    id: "by-value",
    name: phrase("Cheaper as the cart grows"),
    adds: phrase("8, from 50 only 5, free from 100"),
    make: (codes) => ({ name: { en: "Standard" }, charge: bandsByValue(codes) }),
  },
  {
    id: "free-above",
    name: phrase("Free above an amount"),
    adds: phrase("5, free from 50"),
    make: (codes) => ({
      name: { en: "Standard" },
      charge: {
        kind: "bands",
        by: { kind: "value", basis: BASIS },
        first: amount(codes, "5"),
        edges: [{ edge: "from", at: amount(codes, "50"), price: "free" }],
      },
    }),
  },
  {
    id: "islands-dearer",
    name: phrase("Islands dearer"),
    adds: phrase("one option for every zone of the market: 5 here, 12 in each of the others"),
    wholeMarket: true,
    make: (codes, _, others) => ({
      name: { en: "Standard" },
      charge: { kind: "flat", amount: amount(codes, "5") },
      byZone: Object.fromEntries(
        others.map((zone) => [zone, { charge: { kind: "flat" as const, amount: amount(codes, "12") } }]),
      ),
    }),
  },
  {
    id: "by-weight",
    name: phrase("Dearer by weight"),
    adds: phrase("5 up to 2 kg or 5 lb, 9 up to 10 kg or 20 lb, above that not offered"),
    make: (codes, _location, _others, system) => ({
      name: { en: "Parcel" },
      charge: {
        kind: "bands",
        by: { kind: "weight" },
        first: amount(codes, "5"),
        edges: [
          { edge: "above", at: parcel(system === "metric" ? "2" : "5", system), price: amount(codes, "9") },
          { edge: "above", at: parcel(system === "metric" ? "10" : "20", system), price: "not-offered" },
        ],
      },
    }),
  },
  {
    id: "carrier",
    name: phrase("What a carrier asks"),
    adds: phrase("the price of a live carrier, 9 when it does not answer"),
    make: (codes) => ({
      name: { en: "Parcel service" },
      charge: {
        kind: "carrier",
        carrier: "osprelle",
        service: "parcel",
        fallback: { kind: "flat", amount: amount(codes, "9") },
      },
    }),
  },
  {
    id: "collect",
    name: phrase("Collection in a shop"),
    adds: phrase("free collection, ready two opening hours after the order"),
    needsLocation: true,
    make: (codes, location) => ({
      name: { en: "Collect in the shop" },
      way: { kind: "collected", location },
      charge: { kind: "flat", amount: amount(codes, "0") },
      promise: { kind: "ready", at: location, lead: 120 },
    }),
  },
  {
    id: "local",
    name: phrase("Our own round"),
    adds: phrase("delivery within 8 km or 5 miles, 6, from 50 only 5, free from 100, asking for a phone number"),
    needsLocation: true,
    make: (codes, location, _others, system) => ({
      name: { en: "Our own round" },
      way: {
        kind: "local",
        location,
        within: { value: system === "metric" ? "8" : "5", unit: FIRST_UNITS[system].way },
      },
      charge: bandsByValue(codes),
      asks: ["phone", "delivery-window"],
    }),
  },
];

/** The option that a pattern adds for some zones; undefined where it needs a location and there is none. */
export function optionFrom(pattern: Pattern, plan: Plan, zones: readonly string[]): DeliveryOption | undefined {
  const [location] = plan.locations ?? [];
  if (pattern.needsLocation && !location) return undefined;
  const markets = marketsOf(plan, zones);
  const currencies = [...new Set(markets.flatMap((market) => market.currencies))];
  const others = plan.zones
    .filter(({ id, market }) => markets.some((one) => one.id === market) && !zones.includes(id))
    .map(({ id }) => id);
  const made = pattern.make(currencies, location?.id ?? "", others, unitsOf(plan));
  const id = freeId(
    made.name.en ?? pattern.id,
    plan.options.map((option) => option.id),
  );
  return {
    id,
    position: lastPosition(plan.options),
    zones: pattern.wholeMarket ? [...zones, ...others] : [...zones],
    ...made,
  };
}

type Carrier = { readonly id: string; readonly services: readonly { readonly id: string; readonly name: string }[] };

/** An option for each service of a live carrier, at what it asks. */
export function optionsOfCarrier(
  plan: Plan,
  { id: carrier, services }: Carrier,
  zones: readonly string[],
): DeliveryOption[] {
  const made: DeliveryOption[] = [];
  for (const { id: service, name } of services) {
    const all = [...plan.options, ...made];
    made.push({
      id: freeId(
        `${carrier}-${service}`,
        all.map(({ id }) => id),
      ),
      position: lastPosition(all),
      name: { en: name },
      zones: [...zones],
      charge: { kind: "carrier", carrier, service },
    });
  }
  return made;
}
