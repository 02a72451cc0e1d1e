import type { NoPrice } from "../../charges/no-price.ts";
import { type FullPrice, hasNoPrice, type Parts } from "../../delivery/full-price.ts";
import type { Evaluation, Payable, PricedOption } from "../../evaluate/evaluation.ts";
import type { PickedGoods } from "../../measures/only-goods.ts";
import { paysLess } from "../../money/rounded-gain.ts";
import type { TriggerLook } from "../../offers/trigger-definition.ts";
import type { RewardTools } from "../../rewards/definition.ts";
import type { Facts } from "../../situation/situation.ts";
import { allOf, type Truth } from "../../situation/truth.ts";
import type { Earnable, Earned } from "../../tariff/earnable.ts";
import type { TariffOffer, TariffStep } from "../../tariff/tariff-offer.ts";
import { Best, bestPriced, leastPriced, loneOffer, unchanged } from "./best-priced.ts";

const NOTHING: readonly Earned[] = [];

function fullPriceOf(option: number, situation: Evaluation): FullPrice {
  const { full } = situation.memo;
  const known = full[option];
  if (known !== undefined) return known;
  const found = situation.tariff.options[option]?.full.price(situation) ?? "not-offered";
  full[option] = found;
  return found;
}

/** What an option comes to, with the offers that are used. */
export function priceOption(option: number, situation: Evaluation): PricedOption {
  const { priced } = situation.memo;
  const known = priced[option];
  if (known) return known;
  const full = fullPriceOf(option, situation);
  const found = hasNoPrice(full) ? withoutPrice(full) : bestOf(option, full, earnedFor(option, situation), situation);
  priced[option] = found;
  return found;
}

const withoutPrice = (full: NoPrice): PricedOption => ({ full, price: full, offOrder: 0, gifts: 0, used: NOTHING });

/** What an option comes to without one step, to see what that changes. */
function payableWithout(option: number, situation: Evaluation, offer: TariffOffer, step: TariffStep): Payable {
  const full = fullPriceOf(option, situation);
  if (hasNoPrice(full)) return withoutPrice(full);
  const priced = priceOption(option, situation);
  const known = priced instanceof Best ? priced.without(step) : undefined;
  if (known) return known;
  const earned: Earned[] = [];
  for (const one of earnedFor(option, situation)) {
    const left = one.offer === offer ? earnedWithout(one, option, situation, step) : one;
    if (left) earned.push(left);
  }
  return bestOf(option, full, earned, situation);
}

function bestOf(option: number, full: Parts, earned: readonly Earned[], situation: Evaluation): Best {
  const [first] = earned;
  if (!first) return unchanged(full);
  const tools = new ToolsFor(option, situation);
  if (isLeast(option, situation)) return leastPriced(full, earned, situation, tools);
  if (earned.length === 1 && first.onOrder.length === 0) return loneOffer(full, earned, tools);
  return bestPriced(full, earned, situation, tools, option);
}

/** What has been earned for an option. */
function earnedFor(option: number, situation: Evaluation): readonly Earned[] {
  const { earned } = situation.memo;
  const known = earned[option];
  if (known) return known;
  const found: Earned[] = [];
  for (const own of situation.tariff.earnable[option]?.offers ?? NOTHING_EARNABLE) {
    const one = earnedNow(own, situation);
    if (one) found.push(one);
  }
  earned[option] = found;
  return found;
}

const NOTHING_EARNABLE: readonly Earnable[] = [];

function earnedNow(own: Earnable, situation: Evaluation): Earned | null {
  const { along } = situation;
  if (!along) return earnedOf(own, situation) ?? null;
  const { earned } = along.kept;
  const known = earned.known(own.number, along.units, along.horizon);
  if (known !== undefined) return known;
  const others = along.horizon.alone();
  const found = earnedOf(own, situation) ?? null;
  return along.keep(earned, own.number, found, along.horizon.both(others));
}

/** What a shopper has earned of an offer for one option; undefined when that is nothing. */
function earnedOf(own: Earnable, situation: Evaluation, without?: TariffStep): Earned | undefined {
  const { offer } = own;
  // As goods are added, each step that is asked may end a stretch: only those that matter are.
  const steps = situation.along ? reachedOf(own, situation) : allReached(offer, situation);
  return own.earned(without ? steps & ~without.bit : steps);
}

function reachedOf({ offer, steps }: Earnable, situation: Evaluation): number {
  let bits = 0;
  for (const step of steps) if (reached(offer, step, situation)) bits |= step.bit;
  return bits;
}

/** What is left of what was earned of an offer without one of its steps. */
function earnedWithout(one: Earned, option: number, situation: Evaluation, step: TariffStep): Earned | undefined {
  const own = situation.tariff.earnable[option]?.offers.find(({ offer }) => offer === one.offer);
  return own && earnedOf(own, situation, step);
}

/** What rewards look at besides the parts of the price they are given on. */
class ToolsFor implements RewardTools {
  readonly horizon: Evaluation["horizon"];
  private readonly option: number;
  private readonly situation: Evaluation;
  constructor(option: number, situation: Evaluation) {
    this.horizon = situation.horizon;
    this.option = option;
    this.situation = situation;
  }
  fullPriceOf(id: string): FullPrice {
    const other = this.situation.tariff.options.find((candidate) => candidate.id === id);
    return other ? fullPriceOf(other.number, this.situation) : "not-offered";
  }
  fullPriceWithout(goods: PickedGoods): FullPrice {
    return fullPriceWithout(this.option, goods, this.situation);
  }
}

const NO_CHARGE: Parts = { charge: 0, handling: 0, surcharges: 0, own: 0 };

/** What an option would cost in full without some goods, whether or not it could be had then; nothing where nothing is left. */
function fullPriceWithout(option: number, goods: PickedGoods, situation: Evaluation): FullPrice {
  const { memo, tariff, lines } = situation;
  // As a line grows, so may what a piece of it costs.
  for (const turn of goods.turns) for (const line of lines) situation.lineReaches(line, "unitPrice", turn);
  // Where there are none of them, the rest is all there is.
  if (lines.length > 0 && !lines.some(goods.has)) return fullPriceOf(option, situation);
  const key = `${option} ${goods.key}`;
  memo.without ??= new Map();
  const known = memo.without.get(key);
  if (known !== undefined) return known;
  const left = situation.without(goods.has);
  const rest = left.lines.length === 0 ? NO_CHARGE : (tariff.options[option]?.full.charged(left) ?? "not-offered");
  // What a carrier has yet to say of an address may be nothing: then all of the price is these goods' share.
  const found = rest === "place-unknown" && situation.unknownAs ? NO_CHARGE : rest;
  memo.without.set(key, found);
  return found;
}

/** Whether a full price is only the least there could be: some of what it is made of depends on where exactly it goes. */
function isLeast(option: number, situation: Evaluation): boolean {
  if (!situation.unknownAs) return false;
  const { memo } = situation;
  memo.certain ??= situation.anew({ unknownAs: false });
  return hasNoPrice(fullPriceOf(option, memo.certain));
}

/** Whether an offer holds: its time, its limits, its condition. */
export function offerHolds(offer: TariffOffer, situation: Evaluation): boolean {
  // Most offers are for everybody, always.
  if (!offer.when && !offer.schedule && !offer.offer.limits) return true;
  const { along, memo } = situation;
  if (along) {
    const { holds } = along.kept;
    const known = holds.known(offer.number, along.units, along.horizon);
    if (known !== undefined) return known ?? situation.unknownAs;
    const others = along.horizon.alone();
    const found = holdsNow(offer, situation);
    return along.keep(holds, offer.number, found, along.horizon.both(others)) ?? situation.unknownAs;
  }
  let truth = memo.offers[offer.number];
  if (truth === undefined) {
    truth = holdsNow(offer, situation);
    memo.offers[offer.number] = truth;
  }
  return truth ?? situation.unknownAs;
}

function holdsNow(offer: TariffOffer, situation: Evaluation): Truth {
  const limits = inTime(offer, situation) && withinLimits(offer, situation);
  return limits === false || !offer.when ? limits : allOf([limits, offer.when.test(situation)]);
}

export const inTime = ({ schedule }: Pick<TariffOffer, "schedule">, { facts }: Pick<Evaluation, "facts">): boolean =>
  schedule === null || schedule.some(([start, end]) => start <= facts.at && facts.at < end);

/** A guest's own uses are not known: they are taken for none only where the plan says so. */
export function withinLimits({ id, offer: { limits } }: TariffOffer, { facts }: Evaluation): Truth {
  if (!limits) return true;
  const uses = facts.uses.get(id);
  if (limits.overall !== undefined && (uses?.overall ?? 0) >= limits.overall) return false;
  if (limits.perShopper === undefined) return true;
  const own = uses?.byShopper ?? (facts.shopper.id === undefined ? null : 0);
  if (own === null) return limits.guests === "every-time" ? true : null;
  return own < limits.perShopper;
}

/** Whether a step is earned: its trigger is met and its offer holds. */
export function reached(offer: TariffOffer, step: TariffStep, situation: Evaluation): boolean {
  const { along } = situation;
  if (!along) return (allReached(offer, situation) & step.bit) !== 0;
  const known = along.kept.reached.known(step.number, along.units, along.horizon);
  if (known !== undefined) return known;
  const others = along.horizon.alone();
  const found = reachedNow(offer, step, situation);
  return along.keep(along.kept.reached, step.number, found, along.horizon.both(others));
}

const reachedNow = (offer: TariffOffer, step: TariffStep, situation: Evaluation): boolean =>
  step.trigger.met(LOOK, step, situation) === true && offerHolds(offer, situation);

/** Which steps of an offer are reached in one cart, in bits. */
function allReached(offer: TariffOffer, situation: Evaluation): number {
  const { reached } = situation.memo;
  const known = reached[offer.number];
  if (known !== undefined) return known;
  let found = 0;
  for (const step of offer.steps) if (reachedNow(offer, step, situation)) found |= step.bit;
  reached[offer.number] = found;
  return found;
}

const LOOK: TriggerLook<TariffStep, Evaluation> = {
  goalMet: ({ goal }, now) => (goal ? now.reaches(goal.measure, goal.least) : false),
  codeEntered: (step, now) => hasCode(step, now.facts),
};

/** Whether one of a step's codes has been entered. */
export function hasCode({ codes }: TariffStep, facts: Facts): boolean {
  for (const code of facts.codes) if (codes.has(code)) return true;
  return false;
}

export type Improvement = "better" | "no-better" | "no-price";

/** Whether a step, once reached, betters anything for the shopper that would be as it is without that step. */
export function improves(offer: TariffOffer, step: TariffStep, situation: Evaluation): Improvement {
  let anyPrice = false;
  const numbers = step.onOrder ? situation.tariff.options.map(({ number }) => number) : step.options;
  for (const option of numbers) {
    const after = priceOption(option, situation);
    const before = payableWithout(option, situation, offer, step);
    if (typeof after.price === "string" || typeof before.price === "string") continue;
    anyPrice = true;
    // A gift of another offer that a tie brings along is none of what this step promises.
    if (step.onOrder?.kind === "gift" && after.gifts > before.gifts) return "better";
    if (after.price === before.price && after.offOrder === before.offOrder) continue;
    if (
      paysLess(
        { price: after.price, off: after.offOrder },
        { price: before.price, off: before.offOrder },
        situation.horizon,
      )
    )
      return "better";
  }
  return anyPrice ? "no-better" : "no-price";
}
