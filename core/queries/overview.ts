import { filler } from "../cart/read-cart.ts";
import type { NoPrice } from "../charges/no-price.ts";
import { climb } from "../climb/climb.ts";
import { type Climb, type ClimbInterval, priceAt } from "../climb/interval.ts";
import { type LadderMeasure, markAt } from "../measures/measure-spec.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import type { Zone } from "../places/market.ts";
import { chargesIn } from "../plan/visit-charges.ts";
import type { Progress, Quote } from "../quote/answer/quote.ts";
import type { OfferUse } from "../quote/answer/why.ts";
import { quote } from "../quote/quote.ts";
import type { CartLine, Destination, QuoteRequest } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import type { Tariff } from "../tariff/tariff.ts";
import type { TariffOffer, TariffStep } from "../tariff/tariff-offer.ts";

/** A step that makes an option cheaper in a zone for the shopper, once its goal is reached or its code is entered. */
export type OverviewStep = {
  readonly offer: string;
  readonly step: string;
  /** In units of `measure`; null: its code alone. */
  readonly goal: number | null;
  readonly measure: LadderMeasure["kind"];
  /** What the option costs then, in minor units. */
  readonly price: number;
};

/** What one option costs in one zone. */
export type OverviewCell = {
  readonly option: string;
  /** For the cart as it is, in minor units; or why it cannot be had. */
  readonly now: number | NoPrice;
  /** The shelf value from which it costs nothing however much is added, in minor units; null: none within the climb. */
  readonly freeFrom: number | null;
  readonly steps: readonly OverviewStep[];
};

export type OverviewRow = {
  readonly zone: string;
  readonly currency: string;
  readonly cells: readonly OverviewCell[];
  /** Why nothing can be said of this zone. */
  readonly problem: Phrase | null;
};

/** What would be asked from a zone: the same cart and shopper, there, in a currency of its market. */
type Asked = (zone: Zone, destination: Destination) => QuoteRequest;

/**
 * What delivery costs and from when it is free, zone by zone: each figure is the engine's own answer for the shopper's cart there,
 * or read off the climb of that cart.
 *
 * @param addresses a whole address in each zone, see `addressesOf`
 * @example overviewOf(compiled, zones, addressesOf(compiled), (_, destination) => ({ ...request, destination }))
 */
export const overviewOf = (
  compiled: CompiledPlan,
  zones: readonly Zone[],
  addresses: ReadonlyMap<string, readonly Destination[]>,
  asked: Asked,
): OverviewRow[] =>
  zones.map((zone): OverviewRow => {
    const [address] = addresses.get(zone.id) ?? [];
    const request = asked(zone, address ?? {});
    const { currency } = request;
    const nothing = (problem: Phrase) => ({ zone: zone.id, currency, cells: [], problem });
    const tariff = compiled.tariffOf(zone.id, currency);
    if (!tariff) return nothing(phrase("its market does not take {currency}", { currency }));
    if (!address) return nothing(zone.on === false ? phrase("it is switched off") : phrase("no address is its own"));
    const now = quote(compiled, request, { text: false, why: true });
    if ("problems" in now) return nothing(now.problems[0]?.message ?? phrase("it cannot be quoted"));
    const made = climb(compiled, request, climbEnd(tariff, request), { progress: false });
    if ("problems" in made || made.climb?.zone !== zone.id) return nothing(phrase("its climb cannot be drawn"));
    const quoteWith: QuoteWith = (more) => quotedWith(compiled, request, more);
    return { zone: zone.id, currency, cells: cellsOf(tariff, now.quote, made.climb, quoteWith), problem: null };
  });

function quotedWith(compiled: CompiledPlan, request: QuoteRequest, { line, code }: More): Quote | null {
  const { lines, codes = [] } = request.cart;
  const cart = { ...request.cart, lines: line ? [...lines, line] : lines, codes: code ? [...codes, code] : codes };
  const answer = quote(compiled, { ...request, cart }, { text: false });
  return "quote" in answer ? answer.quote : null;
}

/** Far enough that every goal and band of value lies on it. */
function climbEnd(
  { currency, market, zone, rates, measures, offers, options }: Tariff,
  { cart }: QuoteRequest,
): number {
  const context = { zone: zone.id, market: market.id, currency, rates };
  const goals = offers.flatMap(({ steps }) =>
    steps.flatMap(({ goal }) => (goal && measures[goal.measure]?.kind === "value" ? [goal.at] : [])),
  );
  const edges = options.flatMap(({ option }) =>
    chargesIn(option).flatMap(({ charge }) =>
      charge.kind === "bands" && charge.by.kind === "value"
        ? charge.edges.flatMap(({ at }) => markAt(at, context) ?? [])
        : [],
    ),
  );
  const value = cart.lines.reduce((sum, { unitPrice, quantity }) => sum + unitPrice * quantity, 0);
  // Tax and discounts may set a goal further off than its figure.
  return Math.ceil(Math.max(1, value, ...goals, ...edges) * 1.6);
}

/** What is added to a cart. */
type More = { readonly line?: CartLine; readonly code?: string };
/** What the cart with so much more would get. */
type QuoteWith = (more: More) => Quote | null;

function cellsOf(tariff: Tariff, now: Quote, drawn: Climb, quoteWith: QuoteWith): OverviewCell[] {
  return tariff.options.map(({ id, number }): OverviewCell => {
    const at = drawn.options.indexOf(id);
    const { price = null, reason } = now.options.find((option) => option.id === id) ?? {};
    const steps = tariff.offers.flatMap((offer) =>
      offer.steps
        .filter((step) => step.options.includes(number))
        .flatMap((step): OverviewStep[] => {
          const about = { offer: offer.id, step: step.step.id, measure: offer.offer.counts.kind };
          const gives =
            about.measure === "value" && step.goal
              ? valueStep(drawn, drawn.steps.find(isOf(about)), at)
              : otherStep(offer, step, id, now, quoteWith);
          return gives.map((one) => ({ ...about, ...one }));
        }),
    );
    return { option: id, now: price ?? reason ?? "not-offered", freeFrom: freeFromOn(drawn.intervals, at), steps };
  });
}

type StepPlace = { readonly offer: string; readonly step: string };
const isOf =
  ({ offer, step }: StepPlace) =>
  (one: StepPlace) =>
    one.offer === offer && one.step === step;

/** Where the last stretch without a price for it begins. */
function freeFromOn(intervals: readonly ClimbInterval[], option: number): number | null {
  let from: number | null = null;
  for (const interval of intervals) {
    const isFree = priceAt(interval, option, interval.from) === 0 && priceAt(interval, option, interval.to) === 0;
    from = isFree ? (from ?? interval.from) : null;
  }
  return from;
}

type Gives = Pick<OverviewStep, "goal" | "price">;

/** A step that the climb reaches, where it is used then. */
function valueStep({ intervals }: Climb, step: Climb["steps"][number] | undefined, option: number): Gives[] {
  const { flag = null, goal = null } = step ?? {};
  if (flag === null || goal === null) return [];
  const there = intervals.find(({ from, to }) => from <= flag && flag <= to);
  const price = there && priceAt(there, option, flag);
  return typeof price === "number" && there?.offers[option]?.includes(step?.offer ?? "") ? [{ goal, price }] : [];
}

/** A step that value does not bring nearer, where it is used once what it asks for is added. */
function otherStep(
  offer: TariffOffer,
  step: TariffStep,
  option: string,
  { progress, why }: Quote,
  quoteWith: QuoteWith,
): Gives[] {
  const account = why?.[0]?.options.find((one) => one.option === option);
  const use = account?.offers.find((one) => one.offer === offer.id)?.use;
  const stands = progress.find(isOf({ offer: offer.id, step: step.step.id }));
  const asked = use !== undefined && OPEN.has(use) ? askedFor(offer, step, stands) : null;
  const then = asked && quoteWith(asked.more);
  const found = then?.options.find(({ id }) => id === option);
  if (!asked || !found || found.price === null || !found.offers.includes(offer.id)) return [];
  const { goal } = asked;
  // Where it betters something only together with a later step, the later one says so.
  const isLater = (one: Progress) => one.offer === offer.id && one.reached && goal !== null && one.goal > goal;
  return then?.progress.some(isLater) ? [] : [{ goal, price: found.price }];
}

/** What the shopper has, or gets by adding goods or a code. */
const OPEN: ReadonlySet<OfferUse> = new Set<OfferUse>(["used", "not-earned"]);

/** What a step that value does not bring nearer asks to be added: items, weight, a code; null where nothing does it. */
function askedFor(
  { filler: { kind, like } }: TariffOffer,
  { goal, codes }: TariffStep,
  stands: Progress | undefined,
): { goal: number | null; more: More } | null {
  const [code] = codes;
  if (!goal) return code === undefined ? null : { goal: null, more: { code } };
  if (stands?.reached) return { goal: goal.at, more: {} };
  const remaining = stands?.remaining ?? null;
  return remaining === null ? null : { goal: goal.at, more: { line: filler(kind, remaining, like) } };
}
