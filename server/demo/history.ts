import { type Chance, chanceFrom, normalFrom } from "../../core/evidence/chance.ts";
import { holdsOn, type PastGoal } from "../../core/evidence/past-goal.ts";
import type { PastOrder } from "../../core/evidence/past-order.ts";
import type { Offer } from "../../core/offers/offer.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { optionPrice } from "../../core/quote/option-price.ts";
import { productLine } from "../../core/request/product-line.ts";
import type { CartLine, QuoteRequest } from "../../core/request/request.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import { dayOf } from "../../core/time/day.ts";
import { DAY } from "../../core/time/instant.ts";
import type { CatalogueProduct } from "../catalogue/catalogue.ts";
import { DEMO_GOALS } from "./past-goals.ts";

const FIRST_DAY = Date.UTC(2025, 8, 24);
const DAYS = 426;
/** From this day on the store had the plan that it has. */
const PLAN_SINCE = "2026-08-01";

type Several<T> = readonly [T, ...T[]];

/** Where orders go: how many of a hundred, the options that are chosen there, and addresses as country and postcode. */
type Place = {
  readonly share: number;
  readonly market: string;
  readonly currency: string;
  readonly options: Several<string>;
  readonly places: Several<readonly [string, string]>;
};

const PLACES: Several<Place> = [
  {
    ...{ share: 37, market: "portugal", currency: "EUR", options: ["standard", "standard", "express"] },
    places: [
      ["PT", "3000-001"],
      ["PT", "4050-253"],
      ["PT", "1100-148"],
      ["PT", "8000-100"],
    ],
  },
  {
    ...{ share: 4, market: "portugal", currency: "EUR", options: ["islands"] },
    places: [
      ["PT", "9000-001"],
      ["PT", "9500-010"],
    ],
  },
  {
    ...{ share: 13, market: "euro-area", currency: "EUR", options: ["post", "post", "courier"] },
    places: [
      ["ES", "28001"],
      ["ES", "08001"],
      ["ES", "41001"],
    ],
  },
  {
    ...{ share: 12, market: "euro-area", currency: "EUR", options: ["post", "post", "courier"] },
    places: [
      ["FR", "75001"],
      ["DE", "10115"],
      ["IT", "00100"],
      ["NL", "1012"],
    ],
  },
  {
    ...{ share: 15, market: "united-kingdom", currency: "GBP", options: ["post", "post", "courier"] },
    places: [
      ["GB", "M1 1AA"],
      ["GB", "EH1 1AA"],
      ["GB", "BS1 1AA"],
    ],
  },
  {
    ...{ share: 1, market: "united-kingdom", currency: "GBP", options: ["far-post"] },
    places: [["GB", "IV1 1AA"]],
  },
  {
    ...{ share: 11, market: "united-states", currency: "USD", options: ["post", "post", "courier"] },
    places: [
      ["US", "10001"],
      ["US", "94103"],
      ["US", "60601"],
    ],
  },
  {
    ...{ share: 4, market: "japan", currency: "JPY", options: ["post", "courier"] },
    places: [
      ["JP", "100-0001"],
      ["JP", "530-0001"],
    ],
  },
  {
    ...{ share: 3, market: "kuwait", currency: "KWD", options: ["post", "courier"] },
    places: [["KW", "13001"]],
  },
];

/** What shoppers mean to spend, in euros: shares of the peaks, where they are, and how wide on logarithms. */
const PEAKS = [
  { share: 0.46, at: 23, width: 0.26 },
  { share: 0.37, at: 63, width: 0.2 },
  { share: 0.17, at: 150, width: 0.28 },
];
/** By month, January first, and by weekday, Sunday first. */
const SEASON = [0.8, 0.85, 0.9, 0.95, 0.95, 0.85, 0.75, 0.7, 1, 1.1, 1.45, 1.7];
const WEEK = [1.15, 1.1, 1, 0.95, 0.95, 0.9, 0.95];
/** Shoppers who lack at most this share of a goal may go for it. */
const NEAR = 0.2;
/** How many of a hundred have a charge that somebody changed by hand, or were cancelled. */
const CHANGED_BY_HAND = 0.01;
const CANCELLED = 0.02;
const SHOPPERS = 9000;

/**
 * What the demo store has sold in fourteen months: made up by chance, the same in every run. Each order pays what the plan of its time
 * says. How many shoppers go for a goal is drawn for each market; in the United Kingdom nobody does. Five pieces to Spain, in April
 * and May, is gone for by half of those who are near.
 *
 * @param size how many orders, about
 */
export function* demoHistory(
  plan: Plan,
  products: readonly CatalogueProduct[],
  size = 30_000,
  seed = 20_250_924,
): Generator<PastOrder> {
  const chance = chanceFrom(seed);
  const reactions = new Map(plan.markets.map(({ id }) => [id, id === "united-kingdom" ? 0 : 0.15 + 0.5 * chance()]));
  const plans = plansByDay(plan);
  const priced = new Map(PLACES.map(({ currency }) => [currency, pricedIn(products, currency)]));
  const weights = Array.from({ length: DAYS }, (_, i) => weightOf(new Date(FIRST_DAY + i * DAY)));
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  let number = 10_000;
  for (const [i, weight] of weights.entries()) {
    const day = dayOf(FIRST_DAY + i * DAY);
    const orders = Math.round((weight / all) * size + chance() - 0.5);
    for (let n = 0; n < orders; n += 1) {
      const order = orderOn(day, number, { chance, priced, reactions, compiled: plans(day) });
      number += 1;
      if (order) yield order;
    }
  }
}

const weightOf = (date: Date) => (SEASON[date.getUTCMonth()] ?? 1) * (WEEK[date.getUTCDay()] ?? 1);

/** A product with its price in one currency. */
type Priced = { readonly product: CatalogueProduct; readonly price: number };

type Making = {
  readonly chance: Chance;
  /** What is sold in a currency, the cheapest first. */
  readonly priced: ReadonlyMap<string, readonly Priced[]>;
  readonly reactions: ReadonlyMap<string, number>;
  readonly compiled: CompiledPlan;
};

const oneOf = <T>(chance: Chance, list: Several<T>): T => list[Math.floor(chance() * list.length)] ?? list[0];

function orderOn(day: string, number: number, making: Making): PastOrder | null {
  const { chance, compiled } = making;
  const place = placeFor(chance() * 100);
  const [country, postcode] = oneOf(chance, place.places);
  const lines = linesFor(place, day, making);
  const isKnown = chance() < 0.55;
  const shopper = Math.floor(chance() ** 2 * SHOPPERS);
  const at = `${day}T${String(7 + Math.floor(chance() * 15)).padStart(2, "0")}:${String(Math.floor(chance() * 60)).padStart(2, "0")}:00Z`;
  const request: QuoteRequest = {
    ...{ at, currency: place.currency, channel: chance() < 0.8 ? "web" : "app" },
    destination: { country, postcode },
    ...(isKnown ? { shopper: { id: `s-${String(shopper).padStart(5, "0")}`, signedIn: true } } : {}),
    cart: { lines },
    // Now and then a shop did not say how often offers had been used.
    ...(chance() < 0.9 ? { uses: [{ offer: "newsletter", overall: 900, byShopper: 0 }] } : {}),
  };
  const wanted = oneOf(chance, place.options);
  for (const option of [wanted, ...place.options]) {
    const found = optionPrice(compiled, request, option);
    if (!("price" in found)) continue;
    const charged = chance() < CHANGED_BY_HAND ? Math.round(found.price / 2) : found.price;
    return {
      ...{ order: `V${number}`, request, option, charged },
      cost: Math.round(found.fullPrice * (0.7 + 0.25 * chance())),
      buyer: isKnown && shopper < SHOPPERS / 3 ? "returning" : "new",
      ...(chance() < CANCELLED ? { cancelled: true } : {}),
    };
  }
  return null;
}

function placeFor(drawn: number): Place {
  let passed = 0;
  for (const place of PLACES) {
    passed += place.share;
    if (drawn < passed) return place;
  }
  return PLACES[0];
}

const pricedIn = (products: readonly CatalogueProduct[], currency: string): Priced[] =>
  products
    .flatMap((product) => {
      const price = product.prices[currency];
      return price === undefined ||
        price === 0 ||
        product.parcelClass === "bulky" ||
        product.delivery?.kind === "own-charge"
        ? []
        : [{ product, price }];
    })
    .sort((a, b) => a.price - b.price);

function linesFor(place: Place, day: string, { chance, priced: all, reactions }: Making): CartLine[] {
  const { currency, market } = place;
  const priced = all.get(currency) ?? [];
  const cheapest = priced[0]?.price ?? 0;
  const scale = (priced.find(({ product }) => product.sku === "laid-paper-a5")?.price ?? 980) / 980;
  let left = meant(chance) * 100 * scale;
  const cart = new Map<string, CartLine>();
  const put = ({ product, price }: Priced) => {
    const line = cart.get(product.sku);
    const more = line ? { ...line, quantity: line.quantity + 1 } : productLine(product, currency);
    if (more) cart.set(product.sku, more);
    left -= price;
  };
  // First something that most of it is spent on, then smaller things until no more fits.
  for (let tries = 0; left > cheapest && tries < 12; tries += 1) {
    const fitting = priced.filter(({ price }) => price <= left && (cart.size > 0 || price >= left / 4));
    const next = fitting[Math.floor(chance() * fitting.length)] ?? priced.find(({ price }) => price <= left);
    if (next) put(next);
  }
  const [smallest] = priced;
  if (cart.size === 0 && smallest) put(smallest);
  const worth = () => [...cart.values()].reduce((sum, { unitPrice, quantity }) => sum + unitPrice * quantity, 0);
  const goal = DEMO_GOALS.find((one) => one.market === market && one.currency === currency && holdsOn(one, day));
  const gap = goal ? goal.goal - worth() : 0;
  if (goal && gap > 0 && gap <= goal.goal * NEAR && chance() < (reactions.get(market) ?? 0)) {
    const enough = priced.filter(({ price }) => price >= gap && price <= gap + goal.goal * 0.08 + cheapest);
    const filling = enough[Math.floor(chance() * enough.length)] ?? priced.find(({ price }) => price >= gap);
    if (filling) put(filling);
  }
  const pieces = [...cart.values()].reduce((sum, { quantity }) => sum + quantity, 0);
  const isSpanish = place.places.some(([country]) => country === "ES");
  if (isSpanish && day >= "2026-04-01" && day <= "2026-05-31" && pieces >= 3 && pieces < 5 && chance() < 0.5)
    for (let i = pieces; i < 5 && smallest; i += 1) put(smallest);
  return [...cart.values()];
}

/** What a shopper means to spend, in euros; one in eight goes by a round sum. */
function meant(chance: Chance): number {
  let drawn = chance();
  const peak = PEAKS.find(({ share }) => {
    drawn -= share;
    return drawn < 0;
  });
  const { at, width } = peak ?? { at: 60, width: 0.4 };
  const sum = at * Math.exp(width * normalFrom(chance));
  return chance() < 0.125 ? Math.max(5, Math.round(sum / 5) * 5) : sum;
}

/** The store's plan as it was on a day. */
function plansByDay(plan: Plan): (day: string) => CompiledPlan {
  const made = new Map<string, CompiledPlan>();
  return (day) => {
    const goals = day >= PLAN_SINCE ? null : DEMO_GOALS.filter((goal) => holdsOn(goal, day));
    const key = goals === null ? "plan" : goals.map(({ market, goal }) => `${market} ${goal}`).join(" ");
    const known = made.get(key);
    if (known) return known;
    const result = compile(goals === null ? plan : { ...plan, offers: goals.map((goal, i) => offerOf(plan, goal, i)) });
    if ("problems" in result) throw new Error("the demo's plan of an earlier day does not compile");
    made.set(key, result.compiled);
    return result.compiled;
  };
}

const offerOf = (plan: Plan, { market, currency, goal }: PastGoal, i: number): Offer => ({
  ...{ id: `goal-${i}`, position: i, name: market, on: true },
  zones: plan.zones
    .filter((zone) => zone.market === market && !/madeira|azores|highlands/.test(zone.id))
    .map(({ id }) => id),
  counts: { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } },
  steps: [
    {
      ...{ id: "goal", position: 1, wording: {} },
      trigger: { kind: "goal", goal: { at: { byCurrency: { [currency]: (goal / 100).toFixed(2) } }, edge: "from" } },
      reward: { kind: "free", options: [market === "portugal" ? "standard" : "post"] },
    },
  ],
});
