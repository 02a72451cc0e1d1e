import type { CompiledPlan } from "../tariff/compile.ts";
import { type Check, CheckContext, type CheckInputs } from "./check.ts";
import type { Finding } from "./finding.ts";
import { amountTypedInText } from "./findings/amount-typed-in-text.ts";
import { basisBeforeDiscounts } from "./findings/basis-before-discounts.ts";
import { basisUnlikePrices } from "./findings/basis-unlike-prices.ts";
import { breaksARule } from "./findings/breaks-a-rule.ts";
import { carrierWithoutFallback } from "./findings/carrier-without-fallback.ts";
import { chargesLessThanItCosts } from "./findings/charges-less-than-it-costs.ts";
import { codeCollides } from "./findings/code-collides.ts";
import { conditionAlwaysHolds } from "./findings/condition-always-holds.ts";
import { conditionNeverHolds } from "./findings/condition-never-holds.ts";
import { convertedGoalNotRound } from "./findings/converted-goal-not-round.ts";
import { entryNeverFires } from "./findings/entry-never-fires.ts";
import { forgottenOnChannel } from "./findings/forgotten-on-channel.ts";
import { giftNotSold } from "./findings/gift-not-sold.ts";
import { givesNothing } from "./findings/gives-nothing.ts";
import { goalMetByOneProduct } from "./findings/goal-met-by-one-product.ts";
import { goalOutOfReach } from "./findings/goal-out-of-reach.ts";
import { goalsDiffer } from "./findings/goals-differ.ts";
import { goalsFall } from "./findings/goals-fall.ts";
import { goodsNotSold } from "./findings/goods-not-sold.ts";
import { guestsLockedOut } from "./findings/guests-locked-out.ts";
import { limitUsedUp } from "./findings/limit-used-up.ts";
import { listLeavesGap } from "./findings/list-leaves-gap.ts";
import { narrowZoneLacksOptions } from "./findings/narrow-zone-lacks-options.ts";
import { nothingOfferedYet } from "./findings/nothing-offered-yet.ts";
import { offerEnded } from "./findings/offer-ended.ts";
import { offerNowhere } from "./findings/offer-nowhere.ts";
import { offerSaysNothing } from "./findings/offer-says-nothing.ts";
import { optionWithoutPrice } from "./findings/option-without-price.ts";
import { optionsCouldBeOne } from "./findings/options-could-be-one.ts";
import { optionsShareName } from "./findings/options-share-name.ts";
import { ordersFallShort } from "./findings/orders-fall-short.ts";
import { placeClaimedTwice } from "./findings/place-claimed-twice.ts";
import { pluralMissing } from "./findings/plural-missing.ts";
import { postcodeOfNoCountry } from "./findings/postcode-of-no-country.ts";
import { priceCliff } from "./findings/price-cliff.ts";
import { ratesOld } from "./findings/rates-old.ts";
import { regionContradictsPostcode } from "./findings/region-contradicts-postcode.ts";
import { regionUndecided } from "./findings/region-undecided.ts";
import { rewardOptionNotThere } from "./findings/reward-option-not-there.ts";
import { scheduleInSkippedHour } from "./findings/schedule-in-skipped-hour.ts";
import { scheduleNeverRuns } from "./findings/schedule-never-runs.ts";
import { scheduleOverlaps } from "./findings/schedule-overlaps.ts";
import { shareOfFlatCharge } from "./findings/share-of-flat-charge.ts";
import { stepWithoutAmount } from "./findings/step-without-amount.ts";
import { sumCountsTwice } from "./findings/sum-counts-twice.ts";
import { textPromisesFree } from "./findings/text-promises-free.ts";
import { translationMissing } from "./findings/translation-missing.ts";
import { translationOutdated } from "./findings/translation-outdated.ts";
import { vanishAtEdge } from "./findings/vanish-at-edge.ts";
import { visitorMayBeDenied } from "./findings/visitor-may-be-denied.ts";
import { weightFarFromItsClass } from "./findings/weight-far-from-its-class.ts";
import { weightMissing } from "./findings/weight-missing.ts";
import { zoneLeftOut } from "./findings/zone-left-out.ts";
import { zoneOffersNothingForSome } from "./findings/zone-offers-nothing-for-some.ts";
import { zoneWithOneOption } from "./findings/zone-with-one-option.ts";
import { zoneWithoutOptions } from "./findings/zone-without-options.ts";
import { zoneWithoutPlaces } from "./findings/zone-without-places.ts";
import { joinedSteps } from "./joined-steps.ts";
import { CheckMemory } from "./kept-parts.ts";

/** Every check. A new one is a file of its own and its name in this list. */
export const CHECKS: readonly Check[] = [
  amountTypedInText,
  basisBeforeDiscounts,
  basisUnlikePrices,
  breaksARule,
  carrierWithoutFallback,
  chargesLessThanItCosts,
  codeCollides,
  conditionAlwaysHolds,
  conditionNeverHolds,
  convertedGoalNotRound,
  entryNeverFires,
  forgottenOnChannel,
  giftNotSold,
  givesNothing,
  goalMetByOneProduct,
  goalOutOfReach,
  goalsDiffer,
  goalsFall,
  goodsNotSold,
  guestsLockedOut,
  limitUsedUp,
  listLeavesGap,
  narrowZoneLacksOptions,
  nothingOfferedYet,
  offerEnded,
  offerNowhere,
  offerSaysNothing,
  optionWithoutPrice,
  optionsCouldBeOne,
  optionsShareName,
  ordersFallShort,
  placeClaimedTwice,
  pluralMissing,
  postcodeOfNoCountry,
  priceCliff,
  ratesOld,
  regionContradictsPostcode,
  regionUndecided,
  rewardOptionNotThere,
  scheduleInSkippedHour,
  scheduleNeverRuns,
  scheduleOverlaps,
  shareOfFlatCharge,
  stepWithoutAmount,
  sumCountsTwice,
  textPromisesFree,
  translationMissing,
  translationOutdated,
  vanishAtEdge,
  visitorMayBeDenied,
  weightFarFromItsClass,
  weightMissing,
  zoneLeftOut,
  zoneOffersNothingForSome,
  zoneWithOneOption,
  zoneWithoutOptions,
  zoneWithoutPlaces,
];

/** Those that take long at the end. */
export const QUICK_FIRST: readonly Check[] = [
  ...CHECKS.filter(({ isSlow }) => !isSlow),
  ...CHECKS.filter(({ isSlow }) => isSlow),
];

/** How far a run of the checks is, with what one check has found. */
export type CheckRun = {
  readonly check: string;
  readonly done: number;
  readonly of: number;
  readonly findings: readonly Finding[];
};

/**
 * Runs the checks one after the other, so that a caller can show progress and stop in between.
 *
 * @param memory of the run before: what has not changed since is not looked at anew
 * @example for (const { findings } of runChecks(compiled, around)) all.push(...findings);
 */
export function* runChecks(
  compiled: CompiledPlan,
  around: CheckInputs,
  memory: CheckMemory = new CheckMemory(),
  checks: readonly Check[] = CHECKS,
): Generator<CheckRun> {
  memory.begin();
  const context = new CheckContext(compiled, around, memory);
  for (const [i, { code, severity, find }] of checks.entries()) {
    const findings = joinedSteps(find(context)).map((found): Finding => ({ severity, ...found, code }));
    yield { check: code, done: i + 1, of: checks.length, findings };
  }
  memory.end();
}
