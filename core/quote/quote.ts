import equal from "fast-deep-equal";
import type { Terms } from "../evaluate/evaluation.ts";
import { evaluate } from "../evaluate/one-cart.ts";
import { type PreparedRequest, prepareRequest } from "../evaluate/prepared-request.ts";
import type { UnsaidText } from "../messages/format-message.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import type { Progress, Quote, QuoteForm, QuoteResult } from "./answer/quote.ts";
import type { QuoteIn } from "./answer/quote-in.ts";
import { totalsOf } from "./answer/totals.ts";
import { uncountable } from "./answer/uncountable.ts";
import { stepsWaitingForCarriers } from "./carriers/carrier-questions.ts";
import { mergeQuotes } from "./merge/merge-quotes.ts";
import { placeUnknownMessages, stepMessages } from "./messages/step-messages.ts";
import { noticesOf } from "./notices.ts";
import { priceOption } from "./options/price-option.ts";
import { progressOf, type StepProgress } from "./progress/progress.ts";
import { quotedOptions } from "./quoted-options.ts";
import { whyOf } from "./why/why.ts";

/**
 * Answers one request. Pure and deterministic; amounts in and out are whole minor units of the request's currency.
 *
 * @example const result = quote(compiled, request); if ("quote" in result) result.quote.options[0].price // 490
 */
export function quote(compiled: CompiledPlan, request: QuoteRequest, form: QuoteForm = {}): QuoteResult {
  const prepared = prepareRequest(compiled, request);
  if ("problems" in prepared) return prepared;
  const unsaid: UnsaidText[] = [];
  const answer = answerTo(prepared, request.currency, form, unsaid);
  const found = prepared.note ? { ...answer, addressNote: prepared.note } : answer;
  // An answer all of whose figures can be counted exactly; else which of them cannot.
  const problems = uncountable(found);
  if (problems.length > 0) return { problems };
  return unsaid.length > 0 ? { quote: found, unsaid } : { quote: found };
}

function answerTo(prepared: PreparedRequest, currency: string, form: QuoteForm, unsaid: UnsaidText[]): Quote {
  const { cart, there, orNowhere, postcodeKnown } = prepared;
  const [known] = there;
  if (known && there.length === 1 && postcodeKnown && !orNowhere) {
    const now = evaluate({ tariff: known.tariff, facts: known.facts, unknownAs: false }, cart);
    return quoteIn({ now, cart, totals: totalsOf(cart), form, unsaid });
  }
  // While an address is not complete, what its conditions cannot tell is answered both ways.
  const ways = postcodeKnown ? [false] : [false, true];
  const terms = there.flatMap(({ tariff, facts }) => ways.map((unknownAs): Terms => ({ tariff, facts, unknownAs })));
  const totals = totalsOf(cart);
  const [first, ...others] = terms.map((one) => quoteIn({ now: evaluate(one, cart), cart, totals, form, unsaid }));
  if (!first) return nobodyDelivers(prepared, currency, form);
  if (others.length === 0 && !orNowhere) return first;
  const plain = { ...first, why: undefined };
  if (!orNowhere && others.every((other) => equal({ ...other, why: undefined }, plain))) return first;
  const merged = mergeQuotes([first, ...others], orNowhere, stepsWaitingForCarriers(prepared));
  const unknown = form.text === false ? [] : placeUnknownMessages(terms, merged.progress, unsaid);
  const why = form.why ? { why: [first, ...others].flatMap((one) => one.why ?? []) } : {};
  return { ...merged, messages: [...merged.messages, ...unknown], ...why };
}

const nobodyDelivers = ({ cart }: PreparedRequest, currency: string, form: QuoteForm): Quote => ({
  market: null,
  zone: null,
  currency,
  totals: totalsOf(cart),
  options: [],
  progress: [],
  messages: [],
  ...(form.why ? { why: [] } : {}),
});

/** The quote where it is known which zone serves. */
function quoteIn(about: QuoteIn): Quote {
  const { now, totals, form } = about;
  const { tariff } = now;
  const progress = progressOf(about);
  const priced = tariff.options.map(({ number }) => priceOption(number, now));
  const notices = form.text === false ? [] : noticesOf(about);
  return {
    market: tariff.market.id,
    zone: tariff.zone.id,
    currency: tariff.currency,
    totals,
    options: quotedOptions(about, priced, progress),
    progress: shownOf(progress),
    messages: form.text === false ? [] : stepMessages(about, progress),
    ...(notices.length > 0 ? { notices } : {}),
    // What unknown conditions are taken for the other way round is no account of anything.
    ...(form.why && !now.unknownAs ? { why: [whyOf(now)] } : {}),
  };
}

function shownOf(progress: readonly StepProgress[]): Progress[] {
  const all: Progress[] = [];
  for (const { shown } of progress) if (shown) all.push(shown);
  return all;
}
