import type { ChargeReferences } from "../../charges/definition.ts";
import { chargeProblems } from "../../charges/problems.ts";
import type { Condition, SavedConditions } from "../../conditions/condition.ts";
import type { ConditionReferences } from "../../conditions/definition.ts";
import { circleProblems, conditionProblems } from "../../conditions/problems.ts";
import type { DeliveryOption } from "../../delivery/option.ts";
import { pictureProblems } from "../../delivery/picture.ts";
import { promiseProblems } from "../../delivery/promise.ts";
import { storeCostProblems } from "../../delivery/store-cost.ts";
import { windowsProblems } from "../../delivery/windows.ts";
import { markProblems } from "../../measures/measure-spec.ts";
import { onlyProblems } from "../../measures/only-goods.ts";
import { OPTION_VARIABLE_NAMES } from "../../messages/option-variables.ts";
import type { RichByLocale } from "../../messages/rich-text.ts";
import { SURFACES } from "../../messages/states.ts";
import { stepVariableNames } from "../../messages/step-variables.ts";
import type { StepWording } from "../../messages/step-wording.ts";
import { stateTexts, wordingProblems } from "../../messages/wording.ts";
import { type Amount, type AmountContext, amountProblems } from "../../money/amount.ts";
import { zonesWithOwnAmounts } from "../../money/amounts-in.ts";
import { exponentOf } from "../../money/currency.ts";
import { handlingProblems } from "../../money/handling.ts";
import { type Rates, rateTableProblems } from "../../money/rates.ts";
import type { Notice } from "../../offers/notice.ts";
import type { Offer } from "../../offers/offer.ts";
import { goalOf } from "../../offers/trigger.ts";
import { momentFormat } from "../../phrases/intl-formats.ts";
import { type Phrase, phrase } from "../../phrases/phrase.ts";
import { destinationProblems, type ZoneDestination } from "../../places/destination.ts";
import { locationProblems } from "../../places/location.ts";
import type { Market } from "../../places/market.ts";
import { marketsOf } from "../../places/markets-of.ts";
import { namedOptions, rewardOptions, rewardProblems } from "../../rewards/reward.ts";
import { type Problem, pointer } from "../../schema/problem.ts";
import { scheduleProblems } from "../../time/stretch.ts";
import { type Plan, ratesOf } from "../plan.ts";
import { unlessSoundBefore, unreadable } from "./sound-before.ts";

/** Everything a plan's parts may refer to. */
type Known = ConditionReferences & {
  readonly saved: Pick<SavedConditions, "has">;
  readonly rates: Rates;
  readonly zones: ReadonlySet<string>;
  readonly options: ReadonlySet<string>;
  readonly offers: ReadonlySet<string>;
};

/**
 * What is wrong with a plan that has the right shape: ids that repeat, references that lead nowhere, amounts its
 * currency cannot hold, texts that cannot be read. Empty when it can be compiled.
 *
 * @param elsewhere ids that may be referred to besides: of what a file holds in a form that cannot be read
 */
export function planProblems(plan: Plan, elsewhere: ReadonlySet<string> = new Set()): Problem[] {
  const nested = unreadable(plan);
  if (nested) return [nested];
  const once = elsewhere.size === 0 ? unlessSoundBefore(plan) : (_: object, look: () => Problem[]) => look();
  const rates = ratesOf(plan);
  const idsOf = (list: readonly { id: string }[] | undefined) =>
    new Set([...(list ?? []).map(({ id }) => id), ...elsewhere]);
  const known: Known = {
    markets: idsOf(plan.markets),
    tables: new Set([...rates.keys(), ...elsewhere]),
    locations: idsOf(plan.locations),
    saved: idsOf(plan.conditions),
    rates,
    zones: idsOf(plan.zones),
    options: idsOf(plan.options),
    offers: idsOf(plan.offers),
  };
  const { chosenAtFirst, shipsFrom } = plan.store;
  return [
    ...(shipsFrom === undefined
      ? []
      : unknown([shipsFrom], known.locations, phrase("location"), () => "/store/shipsFrom")),
    ...(["markets", "zones", "options", "offers", "locations", "notices", "conditions", "rates"] as const).flatMap(
      (kind) => repeatedIds(plan[kind] ?? [], `/${kind}`),
    ),
    ...(chosenAtFirst.rule === "fastest-under"
      ? amountProblems(chosenAtFirst.price, "/store/chosenAtFirst/price", known)
      : []),
    ...(plan.store.wording ? stepWordingProblems(plan.store.wording, "/store/wording") : []),
    ...plan.markets.flatMap((market, i) => marketProblems(market, `/markets/${i}`)),
    ...(plan.locations ?? []).flatMap((location, i) => [
      ...timeZoneProblems(location.timeZone, `/locations/${i}/timeZone`),
      ...locationProblems(location, `/locations/${i}`),
    ]),
    ...plan.zones.flatMap((zone, i) => [
      ...unknown([zone.market], known.markets, phrase("market"), () => `/zones/${i}/market`),
      ...zone.destinations.flatMap((destination, d) => newProblems(destination, `/zones/${i}/destinations/${d}`)),
      ...handlingProblems(zone.handling, `/zones/${i}/handling`, known),
    ]),
    ...plan.options.flatMap((option, i) => once(option, () => optionProblems(plan, option, `/options/${i}`, known))),
    ...plan.offers.flatMap((offer, i) => once(offer, () => offerProblems(offer, `/offers/${i}`, known))),
    ...(plan.notices ?? []).flatMap((notice, i) => once(notice, () => noticeProblems(notice, `/notices/${i}`, known))),
    ...(plan.conditions ?? []).flatMap((one, i) =>
      once(one, () => whenProblems(one.when, `/conditions/${i}/when`, known)),
    ),
    ...circleProblems(plan.conditions ?? []),
    ...(plan.rates ?? []).flatMap((table, i) => rateTableProblems(table, `/rates/${i}`)),
  ];
}

/** Destinations that were found sound before: nothing about them changes, and a large plan has thousands. */
const sound = new WeakSet<ZoneDestination>();

function newProblems(destination: ZoneDestination, path: string): Problem[] {
  if (sound.has(destination)) return [];
  const problems = destinationProblems(destination, path);
  if (problems.length === 0) sound.add(destination);
  return problems;
}

const whenProblems = (condition: Condition | undefined, path: string, known: Known): Problem[] =>
  condition ? conditionProblems(condition, path, known, known.saved) : [];

/** The texts of a note in its languages, each stretch by itself: figures are filled in stretch by stretch. */
const noteTexts = (note: RichByLocale, path: string): { text: string; at: string }[] =>
  Object.entries(note).flatMap(([locale, rich]) =>
    typeof rich === "string"
      ? [{ text: rich, at: `${path}/${locale}` }]
      : rich.map(({ text }, i) => ({ text, at: `${path}/${locale}/${i}/text` })),
  );

function optionProblems(plan: Plan, option: DeliveryOption, path: string, known: Known): Problem[] {
  const references: ChargeReferences = { ...known, contexts: soldIn(plan, option, known.rates) };
  const amounts: [Amount | undefined, string][] = [
    [option.base, "base"],
    [option.minimum, "minimum"],
    [option.maximum, "maximum"],
    [option.markUp?.amount, "markUp/amount"],
  ];
  const texts = [
    ...Object.entries(option.name).map(([locale, text]) => ({ text, at: `${path}/name/${locale}` })),
    ...noteTexts(option.note ?? {}, `${path}/note`),
  ];
  const { way } = option;
  return [
    ...unknown(option.zones, known.zones, phrase("zone"), (k) => `${path}/zones/${k}`),
    ...(way && way.kind !== "shipped"
      ? unknown([way.location], known.locations, phrase("location"), () => `${path}/way/location`)
      : []),
    ...chargeProblems(option.charge, `${path}/charge`, references),
    ...whenProblems(option.when, `${path}/when`, known),
    ...amounts.flatMap(([amount, name]) => (amount ? amountProblems(amount, `${path}/${name}`, known) : [])),
    ...amountProblems({ converted: { table: "", to: option.rounding ?? {} } }, `${path}/rounding`, {
      ...known,
      tables: new Set([""]),
    }).map(({ path: at, message }) => ({ path: at.replace("/converted/to", ""), message })),
    ...handlingProblems(option.handling, `${path}/handling`, known),
    ...windowsProblems(option.windows, `${path}/windows`, known.locations),
    ...storeCostProblems(option.costsStore, `${path}/costsStore`, known),
    ...repeatedIds(option.surcharges ?? [], `${path}/surcharges`),
    ...(option.surcharges ?? []).flatMap((surcharge, s) => [
      ...whenProblems(surcharge.when, `${path}/surcharges/${s}/when`, known),
      ...chargeProblems(surcharge.charge, `${path}/surcharges/${s}/charge`, references),
    ]),
    ...(option.promise ? promiseProblems(option.promise, `${path}/promise`, known.locations) : []),
    ...Object.entries(option.byZone ?? {}).flatMap(([zone, { charge, handling, promise }]) => {
      const at = `${path}/byZone${pointer(zone)}`;
      return [
        ...unknown([zone], known.zones, phrase("zone"), () => at),
        ...(charge ? chargeProblems(charge, `${at}/charge`, references) : []),
        ...handlingProblems(handling, `${at}/handling`, known),
        ...(promise ? promiseProblems(promise, `${at}/promise`, known.locations) : []),
      ];
    }),
    ...pictureProblems(option.picture, `${path}/picture`),
    ...texts.flatMap(({ text, at }) => (text.includes("{") ? wordingProblems(text, OPTION_VARIABLE_NAMES, at) : [])),
  ];
}

/** Where an option is sold: each currency of its markets, and once more for each zone that has amounts of its own. */
function soldIn(plan: Plan, option: DeliveryOption, rates: Rates): AmountContext[] {
  const own = zonesWithOwnAmounts(option);
  const zones = plan.zones.filter(({ id }) => own.has(id) && option.zones.includes(id));
  return marketsOf(plan, option.zones).flatMap((market) =>
    [null, ...zones.filter((zone) => zone.market === market.id).map(({ id }) => id)].flatMap((zone) =>
      market.currencies.map((currency) => ({ zone, market: market.id, currency, rates })),
    ),
  );
}

function offerProblems(offer: Offer, path: string, known: Known): Problem[] {
  const { stacking } = offer;
  return [
    ...unknown(offer.zones, known.zones, phrase("zone"), (k) => `${path}/zones/${k}`),
    ...repeatedIds(offer.steps, `${path}/steps`),
    ...onlyProblems(offer.counts.only, `${path}/counts/only`, known),
    ...whenProblems(offer.when, `${path}/when`, known),
    ...scheduleProblems(offer.schedule ?? [], `${path}/schedule`),
    ...(stacking?.kind === "with"
      ? unknown(stacking.offers, known.offers, phrase("offer"), (k) => `${path}/stacking/offers/${k}`)
      : []),
    ...offer.steps.flatMap((step, s) => {
      const at = `${path}/steps/${s}`;
      const goal = goalOf(step.trigger);
      return [
        ...(goal ? markProblems(goal.at, offer.counts, `${at}/trigger/goal/at`, known) : []),
        ...unknown(
          rewardOptions(step.reward),
          known.options,
          phrase("delivery option"),
          (k) => `${at}/reward/options/${k}`,
        ),
        ...namedOptions(step.reward).flatMap(({ key, id }) =>
          unknown([id], known.options, phrase("delivery option"), () => `${at}/reward/${key}`),
        ),
        ...rewardProblems(step.reward, `${at}/reward`, known),
        ...stepWordingProblems(step.wording, `${at}/wording`),
      ];
    }),
  ];
}

const noticeProblems = ({ zones, when, schedule }: Notice, path: string, known: Known): Problem[] => [
  ...unknown(zones, known.zones, phrase("zone"), (k) => `${path}/zones/${k}`),
  ...whenProblems(when, `${path}/when`, known),
  ...scheduleProblems(schedule ?? [], `${path}/schedule`),
];

function stepWordingProblems({ on, translatedFrom: _, ...everywhere }: StepWording, path: string): Problem[] {
  const texts = [
    ...stateTexts(everywhere, path),
    ...SURFACES.flatMap((surface) => stateTexts(on?.[surface] ?? {}, `${path}/on/${surface}`)),
  ];
  return texts.flatMap(({ state, text, path: at }) => wordingProblems(text, stepVariableNames(state), at));
}

function marketProblems(market: Market, path: string): Problem[] {
  const currencies = market.currencies.flatMap((code, i) =>
    exponentOf(code) === undefined
      ? [{ path: `${path}/currencies/${i}`, message: phrase("{code} is not an active ISO 4217 currency", { code }) }]
      : [],
  );
  return [...currencies, ...timeZoneProblems(market.timeZone, `${path}/timeZone`)];
}

function timeZoneProblems(name: string, path: string): Problem[] {
  try {
    momentFormat("en", { timeZone: name });
    return [];
  } catch {
    return [{ path, message: phrase('"{name}" is not an IANA time zone', { name }) }];
  }
}

function repeatedIds(entities: readonly { id: string }[], path: string): Problem[] {
  const seen = new Set<string>();
  return entities.flatMap(({ id }, i) => {
    const repeated = seen.has(id);
    seen.add(id);
    return repeated ? [{ path: `${path}/${i}/id`, message: phrase('"{id}" is used more than once', { id }) }] : [];
  });
}

function unknown(
  ids: readonly string[],
  known: ReadonlySet<string>,
  what: Phrase,
  path: (index: number) => string,
): Problem[] {
  return ids.flatMap((id, i) =>
    known.has(id) ? [] : [{ path: path(i), message: phrase('there is no {what} "{id}"', { what, id }) }],
  );
}
