import { normalCode } from "../cart/codes.ts";
import { type CompiledCondition, conditionCompiler } from "../conditions/compile.ts";
import type { SavedConditions } from "../conditions/condition.ts";
import { askedOf } from "../conditions/on-channels.ts";
import { type CompiledFullPrice, compileFullPrice } from "../delivery/full-price.ts";
import { type DeliveryOption, optionIn } from "../delivery/option.ts";
import { compilePromise, type Promised } from "../delivery/promise.ts";
import { compileWindows, type DeliveryWindow } from "../delivery/windows.ts";
import { leastCount } from "../measures/edge.ts";
import type { Measure } from "../measures/measure.ts";
import type { MeasureNumber } from "../measures/measure-numbers.ts";
import { measureNumbers } from "../measures/measure-numbers.ts";
import { markAt, onlyOf, type Scope } from "../measures/measure-spec.ts";
import { goodsLike, pickGoods } from "../measures/only-goods.ts";
import { type AmountContext, amountFor } from "../money/amount.ts";
import { percent } from "../money/decimal.ts";
import type { Rates } from "../money/rates.ts";
import { type Rational, ZERO } from "../money/rational.ts";
import { type TaxPart, taxPart } from "../money/tax-part.ts";
import { type Companies, companiesOf } from "../offers/companies.ts";
import type { Notice } from "../offers/notice.ts";
import { canStack, type Offer, type Step } from "../offers/offer.ts";
import { codesOf, goalOf, triggerKind } from "../offers/trigger.ts";
import { Kept } from "../phrases/kept.ts";
import type { Calendars, Location } from "../places/location.ts";
import type { Market, Zone } from "../places/market.ts";
import type { Plan } from "../plan/plan.ts";
import { compileReward } from "../rewards/apply-rewards.ts";
import { isOnOrder, orderReward, rewardOptions } from "../rewards/reward.ts";
import { byPosition } from "../schema/atoms.ts";
import { bookedKey, type Facts } from "../situation/situation.ts";
import { intervalsOf } from "../time/occurrences.ts";
import { type EarnableFor, earnableFor } from "./earnable.ts";
import type { Filler, TariffOffer, TariffStep } from "./tariff-offer.ts";

/** Everything it takes to quote one zone in one currency, resolved: whole minor units, numbers instead of names. */
export type Tariff = {
  readonly market: Market;
  readonly zone: Zone;
  readonly currency: string;
  readonly standardTax: Rational;
  /** What it makes of a price: see `taxPart`. */
  readonly standardTaxPart: TaxPart;
  readonly store: Plan["store"];
  readonly rates: Rates;
  /** The price up to which the fastest option is chosen; null where the rule is another. */
  readonly fastestUnder: number | null;
  readonly measures: readonly Measure[];
  readonly options: readonly TariffOption[];
  readonly offers: readonly TariffOffer[];
  /** What may be earned for each option, by its number: nothing else is asked for its price. */
  readonly earnable: readonly EarnableFor[];
  /** Which of the offers may meet, by number. */
  readonly companies: Companies;
  /** Offers of the market that do not hold in this zone, and have something to say about it. */
  readonly elsewhere: readonly TariffOffer[];
  readonly notices: readonly TariffNotice[];
  /** Steps that are not available for want of an amount. */
  readonly withoutAmount: readonly { readonly offer: string; readonly step: string }[];
  /** Whether anything looks at the figures of single lines. */
  readonly seesLineFigures: boolean;
};

export type TariffOption = {
  readonly id: string;
  readonly number: number;
  readonly option: DeliveryOption;
  readonly full: CompiledFullPrice;
  readonly promised: ((at: number) => Promised | null) | null;
  /** The windows that can be picked; null where none are offered. */
  readonly windows: ((facts: Facts) => readonly DeliveryWindow[]) | null;
  /** Where it is collected, if shoppers are told the address. */
  readonly pickup: Location | null;
};

export type TariffNotice = {
  readonly notice: Notice;
  readonly when: CompiledCondition | null;
  /** UTC intervals, half-open; null: always. */
  readonly schedule: readonly (readonly [number, number])[] | null;
};

/** What the whole plan brings along to each of its tariffs. */
export type TariffContext = {
  readonly plan: Plan;
  readonly rates: Rates;
  readonly saved: SavedConditions;
  readonly locations: ReadonlyMap<string, Location>;
  readonly calendars: Calendars;
  readonly collectedIn: (location: string) => ReadonlySet<string>;
};

export function compileTariff(whole: TariffContext, market: Market, zone: Zone, currency: string): Tariff {
  const { plan, rates, saved } = whole;
  const context: AmountContext = { zone: zone.id, market: market.id, currency, rates };
  const standardTax = percent(zone.standardTaxRate) ?? ZERO;
  const { measures, measureNumber } = measureNumbers(market.pricesIncludeTax, standardTax, context);
  const compileWhen = conditionCompiler({ ...context, timeZone: market.timeZone, measureNumber }, saved);

  const options = plan.options
    .filter((option) => option.on !== false && isOfferedIn(option, zone, whole))
    .sort(byPosition)
    .map((option) => optionIn(option, zone.id))
    .map((option, number): TariffOption => {
      const full = compileFullPrice(option, market, zone, { ...context, measureNumber, compileWhen });
      const windows = windowsFor(option, whole);
      return {
        id: option.id,
        number,
        option,
        windows,
        full: windows ? whileOpen(full, windows) : full,
        promised: option.promise ? compilePromise(option.promise, whole.locations, whole.calendars) : null,
        pickup: pickupOf(option, whole),
      };
    });
  const optionNumber = new Map(options.map(({ id, number }) => [id, number]));
  const timesOf = ({ schedule }: Pick<Offer, "schedule">) => (schedule ? intervalsOf(schedule, market.timeZone) : null);
  const notices = (plan.notices ?? [])
    .filter(({ on, zones }) => on && (zones.length === 0 || zones.includes(zone.id)))
    .sort(byPosition)
    .map((notice) => ({
      notice,
      when: notice.when ? compileWhen(notice.when) : null,
      schedule: timesOf(notice),
    }));
  const withoutAmount: { offer: string; step: string }[] = [];
  const compiledAsked = (offer: Offer) => {
    const asked = askedOf(offer);
    return asked ? compileWhen(asked) : null;
  };
  // Offers that count the same goods share their filler, and so look ahead to the same carts.
  const fillers = new Kept<Filler>(Number.POSITIVE_INFINITY);
  const sharedFiller = (offer: Offer): Filler => {
    const filler = fillerOf(offer, context);
    return fillers.of(JSON.stringify(filler), () => filler);
  };
  let steps = 0;
  const compileOffer = (offer: Offer): OfferBefore => {
    const own: TariffStep[] = [];
    for (const step of [...offer.steps].sort(byPosition)) {
      const place = { number: steps, bit: 1 << own.length };
      const compiled = compileStep(offer, step, place, context, measureNumber, optionNumber);
      if (compiled === "no-amount") withoutAmount.push({ offer: offer.id, step: step.id });
      if (compiled === "no-amount" || compiled === "no-option") continue;
      steps += 1;
      own.push(compiled);
    }
    return { offer, when: compiledAsked(offer), schedule: timesOf(offer), filler: sharedFiller(offer), steps: own };
  };
  const on = plan.offers.filter((offer) => offer.on).sort(byPosition);
  const own = on
    .filter((offer) => offer.zones.includes(zone.id))
    .map(compileOffer)
    .filter((offer) => offer.steps.length > 0);
  const stacks = own.map((one, i) => own.map((other, k) => i !== k && canStack(one.offer, other.offer)));
  const offers = own.map((offer, number) => amongOthers(offer, number, stacks[number] ?? []));
  const companies = companiesOf(stacks);
  const inMarket = new Set(plan.zones.filter((other) => other.market === market.id).map(({ id }) => id));
  const elsewhere = on
    .filter(
      (offer) => !offer.zones.includes(zone.id) && offer.zones.some((id) => inMarket.has(id)) && speaksElsewhere(offer),
    )
    .map((offer, i) => amongOthers(compileOffer(offer), own.length + i, []));
  const { chosenAtFirst } = plan.store;
  return {
    market,
    zone,
    currency,
    standardTax,
    standardTaxPart: taxPart(standardTax, market.pricesIncludeTax),
    store: plan.store,
    rates,
    fastestUnder: chosenAtFirst.rule === "fastest-under" ? (amountFor(chosenAtFirst.price, context) ?? null) : null,
    measures,
    options,
    offers,
    earnable: options.map(({ number }) => earnableFor(number, offers, companies)),
    companies,
    elsewhere,
    notices,
    withoutAmount,
    seesLineFigures:
      options.some(({ full }) => full.seesLineFigures) ||
      [...offers, ...notices].some(({ when }) => when?.seesLineFigures === true) ||
      own.some(
        ({ offer, steps }) => onlyOf(offer.counts)?.price || steps.some(({ reward }) => reward?.goods?.turns.length),
      ),
  };
}

/** What is collected and names no zones is offered wherever the market of its location sells. */
function isOfferedIn(option: DeliveryOption, zone: Zone, { collectedIn }: TariffContext): boolean {
  if (option.zones.length > 0) return option.zones.includes(zone.id);
  return option.way?.kind === "collected" && collectedIn(option.way.location).has(zone.market);
}

/** The windows of an option for one request, worked out once. */
function windowsFor({ id, windows }: DeliveryOption, { locations, calendars }: TariffContext): TariffOption["windows"] {
  if (!windows) return null;
  const openAt = compileWindows(windows, locations, calendars);
  const known = new WeakMap<Facts, readonly DeliveryWindow[]>();
  return (facts) => {
    const found = known.get(facts) ?? openAt(facts.at, (slot, day) => facts.booked.get(bookedKey(id, slot, day)) ?? 0);
    known.set(facts, found);
    return found;
  };
}

/** An option is had only while there is a window to pick. */
const whileOpen = (
  full: CompiledFullPrice,
  windows: (facts: Facts) => readonly DeliveryWindow[],
): CompiledFullPrice => ({
  ...full,
  price: (situation, tell) => {
    const price = full.price(situation, tell);
    return typeof price !== "string" && windows(situation.facts).length === 0 ? "no-window" : price;
  },
});

function pickupOf({ way }: DeliveryOption, { locations }: TariffContext): Location | null {
  const location = way?.kind === "collected" ? locations.get(way.location) : undefined;
  return location?.address ? location : null;
}

const speaksElsewhere = (offer: Offer) =>
  offer.steps.some(
    ({ wording }) =>
      wording["not-for-place"] || Object.values(wording.on ?? {}).some((texts) => texts["not-for-place"]),
  );

type OfferBefore = Omit<TariffOffer, "id" | "number" | "stacks">;

/**
 * An offer with its number among the others. All of them are written in one piece, as steps are: V8 gives each object that a property is
 * added to by a spread a shape of its own, and whatever is then asked of offers one after the other takes several times as long.
 */
const amongOthers = (
  { offer, when, schedule, filler, steps }: OfferBefore,
  number: number,
  stacks: readonly boolean[],
): TariffOffer => ({ id: offer.id, number, offer, when, schedule, steps, filler, stacks });

/** A step with all its amounts, if it has something to give here. */
function compileStep(
  offer: Offer,
  step: Step,
  { number, bit }: Pick<TariffStep, "number" | "bit">,
  context: AmountContext,
  measureNumber: MeasureNumber,
  optionNumber: ReadonlyMap<string, number>,
): TariffStep | "no-amount" | "no-option" {
  const { trigger, reward } = step;
  const { only } = offer.counts;
  if (only && !pickGoods(only, context)) return "no-amount";
  const goal = goalOf(trigger);
  const at = goal ? markAt(goal.at, context) : null;
  const onOrder = isOnOrder(reward) ? orderReward(reward).compile(reward, context) : null;
  const onDelivery = isOnOrder(reward) ? null : compileReward(reward, context);
  if (at === undefined || onOrder === undefined || onDelivery === undefined) return "no-amount";
  const options = rewardOptions(reward)
    .map((id) => optionNumber.get(id))
    .filter((number) => number !== undefined);
  if (onDelivery && options.length === 0) return "no-option";
  return {
    number,
    bit,
    step,
    trigger: triggerKind(trigger),
    codes: new Set(codesOf(trigger).map(normalCode)),
    goal:
      goal && at !== null
        ? { measure: measureNumber(offer.counts, scopeOf(offer)), least: leastCount(at, goal.edge), at }
        : null,
    reward: onDelivery,
    options,
    onOrder,
  };
}

const fillerOf = ({ counts: { kind, only } }: Offer, context: AmountContext): Filler =>
  only ? { kind, like: goodsLike(only, context) } : { kind };

/** Weight is that of goods that are shipped; every item is an item. */
const scopeOf = (offer: Offer): Scope => (offer.counts.kind === "weight" ? "shipped" : "all");
