import { type ReadCart, readCart } from "../cart/read-cart.ts";
import type { NoPrice } from "../charges/charged.ts";
import { type Facts, factsOf, type Situation } from "../conditions/facts.ts";
import { measurePath } from "../measures/measure.ts";
import { pickText } from "../messages/locale.ts";
import { type Saying, SURFACES, type Surface, speak } from "../messages/speak.ts";
import type { CompiledPlan } from "../plan/compile.ts";
import type { Problem } from "../plan/problem.ts";
import { findTariffs } from "./find-tariffs.ts";
import { holdInAll } from "./hold-in-all.ts";
import { type PricedOption, priceOption, reached } from "./price-options.ts";
import { type Start, type StepState, situationAt, standing } from "./progress.ts";
import type { QuoteRequest } from "./request.ts";
import type { Tariff, TariffOffer } from "./tariff.ts";
import { goodsTax, payable, type Totals, totalsOf } from "./totals.ts";

export type QuotedOption = {
  id: string;
  name: string;
  note?: string;
  available: boolean;
  /** Null exactly when the option is not available. Minor units, as the market writes prices. */
  price: number | null;
  /** Before offers. */
  fullPrice: number | null;
  /** Goods, delivery and tax: what the shopper pays in all with this option. */
  total: number | null;
  tax: number | null;
  reason?: NoPrice;
  offers: string[];
  chosen: boolean;
  /** Offered wherever it may still go; always true when the place is known. */
  certain: boolean;
  /** `price` is the lowest of several, which depend on where it goes. */
  from: boolean;
};

export type Progress = {
  offer: string;
  step: string;
  measure: "value";
  goal: number;
  counted: number;
  remaining: number | null;
  /** Whole percent of the goal; 100 only once it is reached. */
  percent: number;
  reached: boolean;
  state: StepState;
};

export type QuotedMessage = { surface: Surface; offer: string; step: string; state: StepState; text: string };

/** The engine's answer for one cart at one standpoint. `market` and `zone` are null when nobody serves the destination. */
export type Quote = {
  market: string | null;
  zone: string | null;
  /** While the place is only partly known: the zones it may still turn out to be in. */
  zonesPossible?: string[];
  /** While the place is only partly known: whether nobody may turn out to serve it. */
  orNowhere?: boolean;
  currency: string;
  totals: Totals;
  options: QuotedOption[];
  progress: Progress[];
  messages: QuotedMessage[];
};

export type QuoteResult = { quote: Quote } | { problems: Problem[] };

/**
 * Answers one request. Pure and deterministic; amounts in and out are whole minor units of the request's currency.
 *
 * @example const result = quote(compiled, request); if ("quote" in result) result.quote.options[0].price // 490
 */
export function quote(compiled: CompiledPlan, request: QuoteRequest): QuoteResult {
  const cart = readCart(request.cart, "/cart");
  if ("problems" in cart) return cart;
  const found = findTariffs(compiled, request);
  if ("problems" in found) return found;
  const { tariffs, orNowhere } = found;
  const facts = factsOf(request);
  // While an address is not complete, what its conditions cannot tell is answered both ways.
  const ways = facts.place.postcode === null ? [false, true] : [false];
  const [first, ...others] = tariffs.flatMap((tariff) =>
    (hasConditions(tariff) ? ways : [false]).map((unknownAs) => quoteIn(tariff, cart, request, facts, unknownAs)),
  );
  if (!first) {
    const { currency } = request;
    return {
      quote: { market: null, zone: null, currency, totals: totalsOf(cart), options: [], progress: [], messages: [] },
    };
  }
  const alike = others.every((other) => JSON.stringify(other) === JSON.stringify(first));
  if (alike && tariffs.length === 1 && !orNowhere) return { quote: first };
  const held = holdInAll([first, ...others], orNowhere);
  return { quote: { ...held, messages: [...held.messages, ...placeUnknownMessages(tariffs, held.progress, request)] } };
}

/** Whether anything may be left open by an address: conditions, also those inside charges. */
const hasConditions = ({ options, offers }: Tariff) =>
  [...options, ...offers].some(({ when }) => when !== null) ||
  options.some(({ option }) => option.charge.kind === "conditional");

/** The quote where it is known which zone serves. */
function quoteIn(tariff: Tariff, cart: ReadCart, request: QuoteRequest, facts: Facts, unknownAs: boolean): Quote {
  const locale = localeOf(request, tariff);
  const start = { facts, unknownAs, paths: tariff.measures.map((measure) => measurePath(measure, cart, null)) };
  const totals = totalsOf(cart);
  const progress = progressOf(tariff, start);
  return {
    market: tariff.market.id,
    zone: tariff.zone.id,
    currency: tariff.currency,
    totals,
    options: quotedOptions(tariff, cart, totals, situationAt(start, 0), locale),
    progress,
    messages: messagesOf(tariff, progress, locale),
  };
}

const localeOf = (request: QuoteRequest, tariff: Tariff) => request.locale ?? tariff.market.languages[0] ?? "en";

/** What is said about steps that depend on where it goes, while that is not known. */
function placeUnknownMessages(
  tariffs: readonly Tariff[],
  progress: readonly Progress[],
  request: QuoteRequest,
): QuotedMessage[] {
  return progress.flatMap((entry) => {
    if (entry.state !== "place-unknown") return [];
    const { state } = entry;
    const [text] = tariffs.flatMap((tariff) => {
      const offer = tariff.offers.find(({ id }) => id === entry.offer);
      const saying = offer && sayingFor(tariff, offer, entry, localeOf(request, tariff));
      return saying ? [speak(saying, tariff.currency)] : [];
    });
    return text === undefined
      ? []
      : SURFACES.map((surface) => ({ surface, offer: entry.offer, step: entry.step, state, text }));
  });
}

function quotedOptions(
  tariff: Tariff,
  cart: ReadCart,
  totals: Totals,
  situation: Situation,
  locale: string,
): QuotedOption[] {
  const { pricesIncludeTax } = tariff.market;
  const priced = tariff.options.map((_, number) => priceOption(tariff, number, situation));
  const chosen = chosenAtFirst(tariff, priced);
  const tax = goodsTax(cart, totals, pricesIncludeTax, tariff.standardTax);
  return tariff.options.map(({ id, option }, number): QuotedOption => {
    const { price, full, offer } = priced[number] ?? { price: "not-offered", full: "not-offered", offer: null };
    const { languages } = tariff.market;
    const note = option.note && pickText(option.note, locale, languages)?.text;
    const named = {
      id,
      name: pickText(option.name, locale, languages)?.text ?? id,
      ...(note === undefined ? {} : { note }),
    };
    if (typeof price === "string" || typeof full === "string") {
      const reason = typeof price === "string" ? price : "not-offered";
      return {
        ...named,
        available: false,
        price: null,
        fullPrice: null,
        total: null,
        tax: null,
        reason,
        offers: [],
        chosen: false,
        certain: true,
        from: false,
      };
    }
    return {
      ...named,
      available: true,
      price,
      fullPrice: full,
      ...payable(totals.goods, tax, price, pricesIncludeTax, tariff.standardTax),
      offers: offer ? [offer.id] : [],
      chosen: number === chosen,
      certain: true,
      from: false,
    };
  });
}

/** The number of the option preselected for the shopper, or undefined when none has a price. */
function chosenAtFirst(tariff: Tariff, priced: readonly PricedOption[]): number | undefined {
  const available = priced.flatMap(({ price }, number) => (typeof price === "number" ? [{ number, price }] : []));
  if (tariff.chosenAtFirst === "first") return available[0]?.number;
  const least = Math.min(...available.map(({ price }) => price));
  return available.find(({ price }) => price === least)?.number;
}

function progressOf(tariff: Tariff, start: Start): Progress[] {
  const now = situationAt(start, 0);
  return tariff.offers.flatMap((offer) =>
    offer.steps.map((step): Progress => {
      const counted = now.counted[step.goal.measure] ?? 0;
      const earned = reached(offer, step, now);
      return {
        offer: offer.id,
        step: step.step.id,
        measure: "value",
        goal: step.goal.at,
        counted,
        percent: earned ? 100 : Math.min(99, Math.floor((100 * counted) / Math.max(1, step.goal.least))),
        reached: earned,
        ...standing(tariff, offer, step, start),
      };
    }),
  );
}

function messagesOf(tariff: Tariff, progress: readonly Progress[], locale: string): QuotedMessage[] {
  return tariff.offers.flatMap((offer) => {
    const own = progress.filter((entry) => entry.offer === offer.id);
    return told(own).flatMap((entry) => {
      const saying = sayingFor(tariff, offer, entry, locale);
      if (!saying) return [];
      const text = speak(saying, tariff.currency);
      return SURFACES.map((surface) => ({ surface, offer: offer.id, step: entry.step, state: entry.state, text }));
    });
  });
}

/** What is worth saying about an offer: the highest step earned, then the nearest that can be. */
export function told<Entry extends { state: StepState }>(ladder: readonly Entry[]): Entry[] {
  const earned = ladder.filter(({ state }) => state === "reached").at(-1);
  const next = ladder.find(({ state }) => state === "empty" || state === "on-the-way");
  return [earned, next].filter((entry) => entry !== undefined);
}

function sayingFor(tariff: Tariff, offer: TariffOffer, entry: Progress, locale: string): Saying | undefined {
  const { state } = entry;
  if (state === "covered" || state === "blocked") return undefined;
  const wording = offer.steps.find(({ step }) => step.id === entry.step)?.step.wording[state];
  const picked = wording && pickText(wording, locale, tariff.market.languages);
  return picked && { ...picked, ...entry, state };
}
