import { normalCode } from "../cart/codes.ts";
import { visitFollowing } from "../conditions/visit.ts";
import type { ReadersNames } from "../money/amount.ts";
import type { Offer } from "../offers/offer.ts";
import { codesOf } from "../offers/trigger.ts";
import { andList, type Phrase, phrase, type Written } from "../phrases/phrase.ts";
import { type Plan, savedOf } from "../plan/plan.ts";
import { visitConditions } from "../plan/visit-conditions.ts";
import type { Quote } from "../quote/answer/quote.ts";
import { quote } from "../quote/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import { byPosition } from "../schema/atoms.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { offerReason } from "./silent-offers.ts";

/** A code that was entered and changes nothing, and why. */
export type IdleCode = { readonly code: string; readonly why: Phrase };

/**
 * Why a code that a shopper entered does nothing. A code that earns a step, that a
 * condition asks for or that gave a discount is not among them.
 *
 * @example idleCodes(compiled, request) // [{ code: "WELCOME", why: "No offer of the plan has this code." }]
 */
export function idleCodes(compiled: CompiledPlan, request: QuoteRequest, names: ReadersNames = {}): IdleCode[] {
  const { codes = [], discounts = [] } = request.cart;
  if (codes.length === 0) return [];
  const answer = quote(compiled, request, { text: false, why: true });
  if ("problems" in answer) return [];
  const gave = new Set(discounts.flatMap(({ code }) => (code === undefined ? [] : [normalCode(code)])));
  const asked = codesAsked(compiled.plan);
  const offers = [...compiled.plan.offers].sort(byPosition);
  return codes.flatMap((code): IdleCode[] => {
    const wanted = normalCode(code);
    if (gave.has(wanted)) return [];
    const its = offers.filter((offer) => hasCode(offer, wanted));
    if (its.length === 0)
      return asked.has(wanted) ? [] : [{ code, why: phrase("No offer of the plan has this code.") }];
    const without = quote(compiled, withoutCode(request, code), { text: false });
    if ("problems" in without || outcomeOf(answer.quote) !== outcomeOf(without.quote)) return [];
    return [{ code, why: wordsOf(compiled, request, answer.quote, its, names) }];
  });
}

const hasCode = ({ steps }: Offer, wanted: string): boolean =>
  steps.some(({ trigger }) => codesOf(trigger).some((code) => normalCode(code) === wanted));

/** Codes that conditions ask for: what they change is told where the condition stands. */
function codesAsked(plan: Plan): ReadonlySet<string> {
  const saved = savedOf(plan);
  return new Set(
    visitConditions(plan).flatMap(({ condition }) =>
      [...visitFollowing(condition, saved)].flatMap((part) =>
        part.kind === "code" && "codes" in part ? part.codes.map(normalCode) : [],
      ),
    ),
  );
}

/** What shoppers are charged and given, as text. */
const outcomeOf = ({ options }: Quote): string => JSON.stringify(options.map(({ price, grants }) => [price, grants]));

const withoutCode = (request: QuoteRequest, code: string): QuoteRequest => ({
  ...request,
  cart: { ...request.cart, codes: (request.cart.codes ?? []).filter((other) => other !== code) },
});

type Standing = "earned-without" | "outdone" | "unearned";

/** How offers stand whose code changes nothing. */
function standingOf({ why = [] }: Quote, offers: readonly Offer[]): Standing {
  const ids = new Set(offers.map(({ id }) => id));
  const uses = why.flatMap((account) =>
    account.options.flatMap((option) => option.offers.filter(({ offer }) => ids.has(offer)).map(({ use }) => use)),
  );
  if (uses.includes("used")) return "earned-without";
  return uses.includes("another-is-better") || uses.includes("changes-nothing") ? "outdone" : "unearned";
}

const STANDING_WORDS: Readonly<Record<Exclude<Standing, "unearned">, (named: Written) => Phrase>> = {
  "earned-without": (named) => phrase("What {named} gives is earned without it.", { named }),
  outdone: (named) =>
    phrase("It earns {named}, but what shoppers pay is that little already, or another offer does more.", { named }),
};

function wordsOf(
  compiled: CompiledPlan,
  request: QuoteRequest,
  answer: Quote,
  offers: readonly Offer[],
  names: ReadersNames,
): Phrase {
  const named = andList(offers.map(({ name }) => `“${name}”`));
  const standing = standingOf(answer, offers);
  if (standing !== "unearned") return STANDING_WORDS[standing](named);
  const [first] = offers;
  return first
    ? phrase("It belongs to {named}. {reason}", {
        named,
        reason: offerReason(compiled, request, answer, first, names),
      })
    : phrase("No offer of the plan has this code.");
}
