import { type FillerKind, type ReadCart, readCart } from "../cart/read-cart.ts";
import type { NoPrice } from "../charges/no-price.ts";
import { hasNoPrice, sumOf } from "../delivery/full-price.ts";
import type { Promised } from "../delivery/promise.ts";
import { type CartGrowth, growByFiller } from "../evaluate/cart-growth.ts";
import type { Evaluation, PricedOption } from "../evaluate/evaluation.ts";
import { situationOf } from "../evaluate/situation-of.ts";
import type { UnsaidText } from "../messages/format-message.ts";
import type { StepState, Surface } from "../messages/states.ts";
import { rounded } from "../money/linear-amount.ts";
import type { Offer } from "../offers/offer.ts";
import type { AddressNote } from "../places/place.ts";
import type { QuoteRequest } from "../request/request.ts";
import { standpointProblems } from "../request/standpoint-problems.ts";
import type { Problem } from "../schema/problem.ts";
import { type Facts, factsOf } from "../situation/situation.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { findTariffs } from "../tariff/find-tariffs.ts";
import type { Tariff, TariffOffer, TariffStep } from "../tariff/tariff.ts";
import { uncountable } from "./answer/uncountable.ts";
import { stepsWaitingForCarriers } from "./carriers/carrier-questions.ts";
import { mergeQuotes } from "./merge/merge-quotes.ts";
import { optionTexts } from "./messages/option-texts.ts";
import { placeUnknownMessages, stepMessages } from "./messages/step-messages.ts";
import { chosenAtFirst } from "./options/chosen-at-first.ts";
import { type Grant, grantsOf } from "./options/grants.ts";
import { priceOption, reached } from "./options/price-option.ts";
import { goodsTax, payable, type Totals, totalsOf } from "./options/totals.ts";
import { ahead, asSaid, type FillerForecast, forecastFiller, stepStatus } from "./progress/step-status.ts";
import { type Why, whyOf } from "./why/why.ts";

export type QuotedOption = {
  id: string;
  name: string;
  note?: string;
  available: boolean;
  /** Whether the shopper sees it: what cannot be had is left out, unless the option says it is shown. */
  shown: boolean;
  way: "shipped" | "local" | "collected";
  /** Where it is collected, or brought from. */
  location?: string;
  /** Null exactly when the option is not available. Minor units, as the market writes prices. */
  price: number | null;
  /** Before offers. */
  fullPrice: number | null;
  /** Goods after what offers take off the order, delivery and tax: what the shopper pays in all with this option. */
  total: number | null;
  tax: number | null;
  reason?: NoPrice;
  promise?: Promised;
  asks?: ("phone" | "entry-code" | "delivery-window")[];
  offers: string[];
  /** What offers give on the order besides, for the shop to apply. */
  grants: Grant[];
  chosen: boolean;
  /** Offered wherever it may still go; always true when the place is known. */
  certain: boolean;
  /** `price` is the lowest of several, which depend on where it goes. */
  from: boolean;
};

export type Progress = {
  offer: string;
  step: string;
  /** What goal, counted and remaining are in: minor units, pieces, or milligrams. */
  measure: Offer["counts"]["kind"];
  goal: number;
  /** Null while a weight is not known. */
  counted: number | null;
  remaining: number | null;
  /** What texts ask for: weights rounded up to what can be said; null too where no such amount would do. */
  remainingSaid: number | null;
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
  /** What the address says that cannot be; the answer goes by the rest of it. */
  addressNote?: AddressNote;
  currency: string;
  totals: Totals;
  options: QuotedOption[];
  progress: Progress[];
  messages: QuotedMessage[];
  /** One account for each zone that may serve. */
  why?: Why[];
};

export type QuoteResult =
  /** `unsaid`: texts that could not be put into words, and were left out; for whoever runs the shop to be told. */
  { quote: Quote; unsaid?: UnsaidText[] } | { problems: Problem[] };

/** `text`: names, notes and messages are put into words. `why`: every price and offer comes with its reasons. */
export type QuoteForm = { readonly text?: boolean; readonly why?: boolean };

/**
 * Answers one request. Pure and deterministic; amounts in and out are whole minor units of the request's currency.
 *
 * @example const result = quote(compiled, request); if ("quote" in result) result.quote.options[0].price // 490
 */
export function quote(compiled: CompiledPlan, request: QuoteRequest, form: QuoteForm = {}): QuoteResult {
  const wrong = standpointProblems(request);
  if (wrong.length > 0) return { problems: wrong };
  const cart = readCart(request.cart, "/cart");
  if ("problems" in cart) return cart;
  const found = findTariffs(compiled, request.destination, request.currency);
  if ("problems" in found) return found;
  const { there, orNowhere, note } = found;
  const about = note ? { addressNote: note } : {};
  // While an address is not complete, what its conditions cannot tell is answered both ways.
  const ways = found.postcodeKnown ? [false] : [false, true];
  const unsaid: UnsaidText[] = [];
  const answered = (quote: Quote): QuoteResult =>
    withinCounting(unsaid.length > 0 ? { quote: { ...quote, ...about }, unsaid } : { quote: { ...quote, ...about } });
  const [first, ...others] = there.flatMap(({ tariff, place }) => {
    const facts = factsOf(request, compiled.positions, place);
    return ways.map((unknownAs) => quoteIn(tariff, cart, request, facts, unknownAs, form, unsaid));
  });
  if (!first) {
    const { currency } = request;
    return answered({
      market: null,
      zone: null,
      currency,
      totals: totalsOf(cart),
      options: [],
      progress: [],
      messages: [],
      ...(form.why ? { why: [] } : {}),
    });
  }
  if (others.length === 0 && !orNowhere) return answered(first);
  const same = JSON.stringify({ ...first, why: null });
  const alike = others.every((other) => JSON.stringify({ ...other, why: null }) === same);
  if (alike && !orNowhere) return answered(first);
  const held = mergeQuotes([first, ...others], orNowhere, stepsWaitingForCarriers(found));
  const tariffs = there.map(({ tariff }) => tariff);
  const unknown = form.text === false ? [] : placeUnknownMessages(tariffs, held.progress, request, unsaid);
  const why = form.why ? { why: [first, ...others].flatMap((one) => one.why ?? []) } : {};
  return answered({ ...held, messages: [...held.messages, ...unknown], ...why });
}

/** An answer all of whose figures can be counted exactly; else which of them cannot. */
function withinCounting(result: { quote: Quote; unsaid?: UnsaidText[] }): QuoteResult {
  const problems = uncountable(result.quote);
  return problems.length > 0 ? { problems } : result;
}

/** The quote where it is known which zone serves. */
function quoteIn(
  tariff: Tariff,
  cart: ReadCart,
  request: QuoteRequest,
  facts: Facts,
  unknownAs: boolean,
  form: QuoteForm,
  unsaid: UnsaidText[],
): Quote {
  const now = situationOf(tariff.measures, facts, cart, unknownAs);
  const totals = totalsOf(cart);
  const progress = progressOf(tariff, now, cart);
  const outcomes = tariff.options.map(({ number }) => priceOption(tariff, number, now));
  return {
    market: tariff.market.id,
    zone: tariff.zone.id,
    currency: tariff.currency,
    totals,
    options: quotedOptions(tariff, cart, totals, now, outcomes, progress, request, form, unsaid),
    progress: progress.map(({ shown }) => shown).filter((shown) => shown !== null),
    messages: form.text === false ? [] : stepMessages(tariff, progress, now, request, unsaid),
    // What unknown conditions are taken for the other way round is no account of anything.
    ...(form.why && !unknownAs ? { why: [whyOf(tariff, now)] } : {}),
  };
}

function quotedOptions(
  tariff: Tariff,
  cart: ReadCart,
  totals: Totals,
  now: Evaluation,
  outcomes: readonly PricedOption[],
  progress: readonly StepProgress[],
  request: QuoteRequest,
  form: QuoteForm,
  unsaid: UnsaidText[],
): QuotedOption[] {
  const { pricesIncludeTax } = tariff.market;
  const promises = tariff.options.map(({ promised }) => promised?.(now.facts.at) ?? null);
  const chosen = chosenAtFirst(tariff, outcomes, promises);
  const taxOn = goodsTax(cart, totals, pricesIncludeTax, tariff.standardTax);
  return tariff.options.map(({ id, option, number, full: { taxRate } }): QuotedOption => {
    const outcome = outcomes[number] ?? NOTHING;
    const { price, full, used, offOrder } = outcome;
    const { way } = option;
    // Built up plainly, since this is the most of what a quote makes.
    const quoted: QuotedOption = {
      id,
      name: id,
      available: false,
      shown: option.whenUnavailable === "shown",
      way: way?.kind ?? "shipped",
      price: null,
      fullPrice: null,
      total: null,
      tax: null,
      offers: [],
      grants: [],
      chosen: number === chosen,
      certain: true,
      from: false,
    };
    if (form.text !== false) {
      const { name, note } = optionTexts(tariff, option, outcome, progress, request, unsaid);
      quoted.name = name;
      if (note !== undefined) quoted.note = note;
    }
    if (way && way.kind !== "shipped") quoted.location = way.location;
    const promise = promises[number];
    if (promise) quoted.promise = promise;
    if (option.asks?.length) quoted.asks = option.asks;
    if (typeof price === "string" || hasNoPrice(full)) {
      quoted.reason = typeof price === "string" ? price : "not-offered";
      return quoted;
    }
    const off = rounded(offOrder);
    const goods = totals.goods - off;
    const charged = rounded(price);
    const { tax, total } = payable(goods, taxOn(goods), charged, pricesIncludeTax, taxRate);
    quoted.available = true;
    quoted.shown = true;
    quoted.price = charged;
    quoted.fullPrice = rounded(sumOf(full));
    quoted.total = total;
    quoted.tax = tax;
    if (used.length > 0) {
      quoted.offers = used.map(({ offer }) => offer.id);
      quoted.grants = grantsOf(used, now, off);
    }
    return quoted;
  });
}

const NOTHING: PricedOption = { full: "not-offered", price: "not-offered", used: [], offOrder: 0 };

/** A step as it stands, also one without a goal, of which there is no progress to show. */
export type StepProgress = {
  readonly offer: TariffOffer;
  readonly step: TariffStep;
  readonly state: StepState;
  readonly remaining: number | null;
  /** `remaining` as it is said. */
  readonly said: number | null;
  readonly shown: Progress | null;
};

function progressOf(tariff: Tariff, now: Evaluation, cart: ReadCart): StepProgress[] {
  const growths: { [Kind in FillerKind]?: CartGrowth } = {};
  const growthOf = (kind: FillerKind): CartGrowth => {
    growths[kind] ??= growByFiller(tariff.measures, now.facts, cart, kind);
    return growths[kind];
  };
  const progress: StepProgress[] = [];
  for (const offer of tariff.offers) {
    for (const step of offer.steps) {
      const { kind } = offer.offer.counts;
      let forecast: FillerForecast | undefined;
      const { state, remaining } = stepStatus(tariff, offer, step, now, () => {
        forecast = forecastFiller(tariff, offer, step, growthOf(kind), now.unknownAs);
        return ahead(forecast, 0);
      });
      const said = forecast && remaining !== null ? asSaid(forecast, kind, remaining) : null;
      const shown = shownProgress(offer, step, now, state, remaining, said);
      progress.push({ offer, step, state, remaining, said, shown });
    }
  }
  return progress;
}

function shownProgress(
  offer: TariffOffer,
  step: TariffStep,
  now: Evaluation,
  state: StepState,
  remaining: number | null,
  said: number | null,
): Progress | null {
  const { goal } = step;
  if (!goal) return null;
  const counted = now.count(goal.measure);
  const earned = reached(offer, step, now);
  return {
    offer: offer.id,
    step: step.step.id,
    measure: offer.offer.counts.kind,
    goal: goal.at,
    counted,
    percent: earned ? 100 : Math.min(99, Math.floor((100 * (counted ?? 0)) / Math.max(1, goal.least))),
    reached: earned,
    state,
    remaining,
    remainingSaid: said,
  };
}
