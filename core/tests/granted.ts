import { type FillerKind, type FillerLike, filler } from "../cart/read-cart.ts";
import { goodsLike } from "../measures/only-goods.ts";
import { ratesOf } from "../plan/plan.ts";
import type { Quote, QuotedOption } from "../quote/answer/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { Case } from "./arbitrary.ts";
import { compiledPlan, quoteOf } from "./compiled.ts";

/** A request with so much ordinary goods more. */
const withFiller = (
  request: QuoteRequest,
  kind: FillerKind,
  amount: number,
  like: FillerLike | undefined,
): QuoteRequest =>
  amount === 0
    ? request
    : { ...request, cart: { ...request.cart, lines: [...request.cart.lines, filler(kind, amount, like)] } };

/** The same plan without one step: what the shopper would pay had it never been offered. */
const withoutStep = (plan: Case["plan"], offer: string, step: string): Case["plan"] => ({
  ...plan,
  offers: plan.offers.map((candidate) => {
    if (candidate.id !== offer) return candidate;
    const kept = candidate.steps.filter(({ id }) => id !== step);
    return kept.length > 0 ? { ...candidate, steps: kept } : { ...candidate, on: false };
  }),
});

export const progressOf = (quote: Quote, offer: string, step: string) => {
  const entry = quote.progress.find((candidate) => candidate.offer === offer && candidate.step === step);
  if (!entry) throw new Error(`no progress for ${offer}/${step}`);
  return entry;
};

/** Read off two whole quotes: the step is granted, and with one of its options the shopper pays less or is given more. */
export function granted({ plan, request }: Case, offer: string, step: string): (extra: number) => boolean {
  const compiled = compiledPlan(plan);
  const bare = compiledPlan(withoutStep(plan, offer, step));
  const found = plan.offers.find(({ id }) => id === offer);
  const reward = found?.steps.find(({ id }) => id === step)?.reward;
  const options = reward && "options" in reward ? reward.options : plan.options.map(({ id }) => id);
  const only = found?.counts.only;
  const { currency } = request;
  const like = only && goodsLike(only, { zone: "zone", market: "market", currency, rates: ratesOf(plan) });
  return (extra) => {
    const asked = withFiller(request, found?.counts.kind ?? "value", extra, like);
    const here = quoteOf(compiled, asked);
    if (!progressOf(here, offer, step).reached) return false;
    const there = quoteOf(bare, asked);
    return options.some((id) => {
      const [after, before] = [here, there].map((quote) => quote.options.find((option) => option.id === id));
      if (!after?.available || !before?.available) return false;
      const gifts = (quoted: QuotedOption) => quoted.grants.filter(({ kind }) => kind === "gift").length;
      // Another offer's gift, which only a tie brings along, is nothing this step gives.
      return payableFor(after) < payableFor(before) || (reward?.kind === "gift" && gifts(after) > gifts(before));
    });
  };
}

/** Delivery less what offers take off the order. */
const payableFor = ({ price, grants }: QuotedOption) =>
  grants.reduce((sum, grant) => sum - (grant.kind === "gift" ? 0 : grant.amount), price ?? 0);
