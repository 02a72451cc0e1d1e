import type { StepState } from "../messages/states.ts";
import type { ReadersNames } from "../money/amount.ts";
import type { Offer } from "../offers/offer.ts";
import { orList, type Phrase, phrase } from "../phrases/phrase.ts";
import type { Quote } from "../quote/answer/quote.ts";
import type { OfferUse, Why } from "../quote/answer/why.ts";
import { quote } from "../quote/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import { byPosition } from "../schema/atoms.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { whySentences } from "./why-words.ts";

/** An offer that shoppers read nothing of here, and why. */
export type SilentOffer = { readonly offer: string; readonly why: Phrase };

/** What keeps an offer from shoppers altogether; of these "why" has a sentence with what was wanted and found. */
const KEPT_BACK: ReadonlySet<OfferUse> = new Set<OfferUse>([
  "condition",
  "condition-unknown",
  "not-in-time",
  "limit-reached",
  "limit-unknown",
]);

/** Where its steps stand, when that alone explains it. */
const BY_STATE: Readonly<Partial<Record<StepState, Phrase>>> = {
  covered: phrase("It would change nothing here: what it betters is that cheap already, or another offer does more."),
  blocked: phrase("No amount of goods earns it with this cart."),
  "weight-unknown": phrase("Its goal is a weight, and one in the cart is not known."),
  "used-up": phrase("It has been used as often as it may be."),
  ended: phrase("Its time is over."),
  "not-yet": phrase("Its time has not come."),
  unsettled: phrase("Too many amounts of goods would have to be tried to tell whether one earns it."),
  "code-missing": phrase("Only its code is missing, and it has no text for that."),
};

/**
 * Why an offer of the plan says nothing to this shopper: for each that has no message in the answer.
 *
 * @example silentOffers(compiled, request) // [{ offer: "members", why: "“Signed in abroad” is not for this shopper …" }]
 */
export function silentOffers(compiled: CompiledPlan, request: QuoteRequest, names: ReadersNames = {}): SilentOffer[] {
  const answer = quote(compiled, request, { why: true });
  if ("problems" in answer) return [];
  const spoken = new Set(answer.quote.messages.map(({ offer }) => offer));
  return [...compiled.plan.offers]
    .sort(byPosition)
    .filter(({ id }) => !spoken.has(id))
    .map((offer) => ({ offer: offer.id, why: reasonOf(compiled, request, answer.quote, offer, names) }));
}

/**
 * What keeps one offer from this shopper, whether or not it says something.
 *
 * @param answer with its account: quoted with `why`
 * @example offerReason(compiled, request, answer, members) // "It does not hold in Madeira."
 */
export function offerReason(
  compiled: CompiledPlan,
  request: QuoteRequest,
  answer: Quote,
  offer: Offer,
  names: ReadersNames = {},
): Phrase {
  const isAhead = answer.progress.some((one) => one.offer === offer.id && one.remaining !== null && !one.reached);
  return isAhead ? phrase("Its goal is not reached yet.") : reasonOf(compiled, request, answer, offer, names);
}

function reasonOf(
  { plan }: CompiledPlan,
  request: QuoteRequest,
  { zone, zonesPossible = [], why = [], progress }: Quote,
  offer: Offer,
  names: ReadersNames,
): Phrase {
  if (!offer.on) return phrase("It is switched off.");
  const zones = [...(zone === null ? [] : [zone]), ...zonesPossible];
  if (zones.length === 0) return phrase("Nobody delivers to this place.");
  if (!offer.zones.some((id) => zones.includes(id))) {
    const here = zones.map((id) => plan.zones.find((one) => one.id === id)?.name ?? id);
    return phrase("It does not hold in {zones}.", { zones: orList(here) });
  }
  const account = why.find((one) => one.zone === zone) ?? why[0];
  if (account?.withoutAmount.some((one) => one.offer === offer.id))
    return phrase("It has no amount in {currency}.", { currency: request.currency });
  const kept = account && keptBack(plan, account, offer, request.currency, names);
  if (kept) return kept;
  const states = progress.filter((one) => one.offer === offer.id).map(({ state }) => state);
  for (const state of states) {
    const words = BY_STATE[state];
    if (words) return words;
  }
  return phrase("It has no text for where this shopper stands, in a language of the market.");
}

function keptBack(
  plan: CompiledPlan["plan"],
  account: Why,
  offer: Offer,
  currency: string,
  names: ReadersNames,
): Phrase | undefined {
  const option = account.options.find(({ offers }) =>
    offers.some((one) => one.offer === offer.id && KEPT_BACK.has(one.use)),
  );
  if (!option) return undefined;
  return whySentences(plan, account, option.option, currency, names).find(
    ({ about }) => about.kind === "offer" && about.id === offer.id,
  )?.text;
}
