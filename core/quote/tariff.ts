import { compileCharge } from "../charges/charge.ts";
import type { CompiledCharge } from "../charges/charged.ts";
import { type Condition, compileCondition, type Saved } from "../conditions/condition.ts";
import type { CompiledCondition } from "../conditions/definition.ts";
import type { DeliveryOption } from "../delivery/option.ts";
import { type Measure, type MeasureSpec, measureKey } from "../measures/measure.ts";
import { leastValue, type Threshold } from "../measures/threshold.ts";
import { compileMeasure } from "../measures/value-measure.ts";
import { type AmountContext, amountFor } from "../money/amount.ts";
import { percent } from "../money/decimal.ts";
import type { Rates } from "../money/rates.ts";
import { type Rational, ZERO } from "../money/rational.ts";
import type { Offer, Step } from "../offers/offer.ts";
import { type CompiledReward, compileReward } from "../offers/reward.ts";
import type { Market, Zone } from "../places/market.ts";
import { byPosition } from "../plan/atoms.ts";
import type { Plan } from "../plan/plan.ts";

/** Everything it takes to quote one zone in one currency, resolved: whole minor units, numbers instead of names. */
export type Tariff = {
  readonly market: Market;
  readonly zone: Zone;
  readonly currency: string;
  readonly standardTax: Rational;
  readonly chosenAtFirst: Plan["store"]["chosenAtFirst"];
  readonly measures: readonly Measure[];
  readonly options: readonly TariffOption[];
  readonly offers: readonly TariffOffer[];
  /** Every comparison that prices, conditions and steps make. */
  readonly thresholds: readonly Threshold[];
};

export type TariffOption = {
  readonly id: string;
  readonly option: DeliveryOption;
  readonly when: CompiledCondition | null;
  readonly charge: CompiledCharge;
};

export type TariffOffer = {
  readonly id: string;
  readonly when: CompiledCondition | null;
  readonly steps: readonly TariffStep[];
};

export type TariffStep = {
  readonly step: Step;
  readonly goal: Threshold & { readonly at: number };
  readonly reward: CompiledReward;
  /** Numbers of the tariff's options that profit. */
  readonly options: readonly number[];
};

export function compileTariff(
  plan: Plan,
  rates: Rates,
  saved: Saved,
  market: Market,
  zone: Zone,
  currency: string,
): Tariff {
  const context: AmountContext = { market: market.id, currency, rates };
  const standardTax = percent(zone.standardTaxRate) ?? ZERO;
  const numbers = new Map<string, number>();
  const measures: Measure[] = [];
  const measureNumber = (spec: MeasureSpec): number => {
    const key = measureKey(spec);
    const known = numbers.get(key);
    if (known !== undefined) return known;
    measures.push(
      spec.kind === "value"
        ? { kind: "value", value: compileMeasure(spec.basis, market.pricesIncludeTax, standardTax) }
        : { kind: spec.kind },
    );
    numbers.set(key, measures.length - 1);
    return measures.length - 1;
  };
  const compileWhen = (condition: Condition) =>
    compileCondition(condition, { ...context, timeZone: market.timeZone, measureNumber }, saved);
  const when = (condition: Condition | undefined) => (condition ? compileWhen(condition) : null);

  const options = plan.options
    .filter((option) => option.zones.includes(zone.id))
    .sort(byPosition)
    .map(
      (option): TariffOption => ({
        id: option.id,
        option,
        when: when(option.when),
        charge: compileCharge(option.charge, { ...context, measureNumber, compileWhen }),
      }),
    );
  const optionNumber = new Map(options.map(({ id }, number) => [id, number]));
  const offers = plan.offers
    .filter((offer) => offer.on && offer.zones.includes(zone.id))
    .sort(byPosition)
    .map((offer) => ({
      id: offer.id,
      when: when(offer.when),
      steps: compileSteps(offer, context, measureNumber, optionNumber),
    }))
    .filter((offer) => offer.steps.length > 0);

  return {
    market,
    zone,
    currency,
    standardTax,
    chosenAtFirst: plan.store.chosenAtFirst,
    measures,
    options,
    offers,
    thresholds: [
      ...options.flatMap(({ charge }) => charge.thresholds),
      ...offers.flatMap(({ steps }) => steps.map(({ goal }) => goal)),
      ...[...options, ...offers].flatMap(({ when: condition }) => condition?.thresholds ?? []),
    ],
  };
}

/** The steps of an offer that have all their amounts here and an option to give something on. */
function compileSteps(
  offer: Offer,
  context: AmountContext,
  measureNumber: (measure: MeasureSpec) => number,
  optionNumber: ReadonlyMap<string, number>,
): TariffStep[] {
  return [...offer.steps].sort(byPosition).flatMap((step) => {
    const at = amountFor(step.goal.at, context);
    const reward = compileReward(step.reward, context);
    const options = step.reward.options.map((id) => optionNumber.get(id)).filter((number) => number !== undefined);
    if (at === undefined || !reward || options.length === 0) return [];
    const goal = {
      measure: measureNumber({ kind: "value", basis: offer.basis }),
      least: leastValue(at, step.goal.edge),
      at,
    };
    return [{ step, goal, reward, options }];
  });
}
