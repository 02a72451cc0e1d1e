import { chargeProblems } from "../charges/charge.ts";
import { type Condition, circleProblems, conditionProblems } from "../conditions/condition.ts";
import { STEP_VARIABLES, wordingProblems } from "../messages/wording.ts";
import { type AmountContext, type AmountReferences, amountProblems } from "../money/amount.ts";
import { exponentOf } from "../money/currency.ts";
import { type Rates, rateTableProblems } from "../money/rates.ts";
import type { Offer } from "../offers/offer.ts";
import { rewardProblems } from "../offers/reward.ts";
import { destinationProblems } from "../places/destination.ts";
import type { Market } from "../places/market.ts";
import { type Plan, ratesOf, savedOf } from "./plan.ts";
import type { Problem } from "./problem.ts";

/**
 * What is wrong with a plan that has the right shape: ids that repeat, references that lead nowhere, amounts its
 * currency cannot hold, texts that cannot be read. Empty when it can be compiled.
 */
export function planProblems(plan: Plan): Problem[] {
  const markets = new Set(plan.markets.map(({ id }) => id));
  const zones = new Set(plan.zones.map(({ id }) => id));
  const options = new Set(plan.options.map(({ id }) => id));
  const rates = ratesOf(plan);
  const saved = savedOf(plan);
  const when = (condition: Condition | undefined, path: string) =>
    condition ? conditionProblems(condition, path, references, saved) : [];
  const references = { markets, tables: new Set(rates.keys()) };
  return [
    ...(["markets", "zones", "options", "offers"] as const).flatMap((kind) => repeatedIds(plan[kind], `/${kind}`)),
    ...plan.markets.flatMap((market, i) => marketProblems(market, `/markets/${i}`)),
    ...plan.zones.flatMap((zone, i) => [
      ...unknown([zone.market], markets, "market", () => `/zones/${i}/market`),
      ...zone.destinations.flatMap((destination, d) =>
        destinationProblems(destination, `/zones/${i}/destinations/${d}`),
      ),
    ]),
    ...plan.options.flatMap((option, i) => [
      ...unknown(option.zones, zones, "zone", (k) => `/options/${i}/zones/${k}`),
      ...chargeProblems(option.charge, `/options/${i}/charge`, {
        ...references,
        saved,
        contexts: soldIn(plan, option.zones, rates),
      }),
    ]),
    ...plan.offers.flatMap((offer, i) => offerProblems(offer, `/offers/${i}`, { zones, options, references })),
    ...plan.options.flatMap((option, i) => when(option.when, `/options/${i}/when`)),
    ...plan.offers.flatMap((offer, i) => when(offer.when, `/offers/${i}/when`)),
    ...(plan.conditions ?? []).flatMap((one, i) => when(one.when, `/conditions/${i}/when`)),
    ...circleProblems(plan.conditions ?? []),
    ...repeatedIds(plan.conditions ?? [], "/conditions"),
    ...(plan.rates ?? []).flatMap((table, i) => rateTableProblems(table, `/rates/${i}`)),
    ...repeatedIds(plan.rates ?? [], "/rates"),
  ];
}

/** The markets and currencies that zones are sold in. */
function soldIn(plan: Plan, zoneIds: readonly string[], rates: Rates): AmountContext[] {
  const marketIds = new Set(plan.zones.filter(({ id }) => zoneIds.includes(id)).map(({ market }) => market));
  return plan.markets
    .filter(({ id }) => marketIds.has(id))
    .flatMap((market) => market.currencies.map((currency) => ({ market: market.id, currency, rates })));
}

function offerProblems(
  offer: Offer,
  path: string,
  known: { references: AmountReferences; zones: ReadonlySet<string>; options: ReadonlySet<string> },
): Problem[] {
  return [
    ...unknown(offer.zones, known.zones, "zone", (k) => `${path}/zones/${k}`),
    ...repeatedIds(offer.steps, `${path}/steps`),
    ...offer.steps.flatMap((step, s) => [
      ...amountProblems(step.goal.at, `${path}/steps/${s}/goal/at`, known.references),
      ...unknown(
        step.reward.options,
        known.options,
        "delivery option",
        (k) => `${path}/steps/${s}/reward/options/${k}`,
      ),
      ...unknown(
        step.reward.kind === "option-price" ? [step.reward.of] : [],
        known.options,
        "delivery option",
        () => `${path}/steps/${s}/reward/of`,
      ),
      ...rewardProblems(step.reward, `${path}/steps/${s}/reward`, known.references),
      ...(["empty", "on-the-way", "reached", "place-unknown"] as const).flatMap((state) =>
        Object.entries(step.wording[state] ?? {}).flatMap(([locale, text]) =>
          wordingProblems(text, STEP_VARIABLES[state], `${path}/steps/${s}/wording/${state}/${locale}`),
        ),
      ),
    ]),
  ];
}

function marketProblems(market: Market, path: string): Problem[] {
  const currencies = market.currencies.flatMap((code, i) =>
    exponentOf(code) === undefined
      ? [{ path: `${path}/currencies/${i}`, message: `${code} is not an active ISO 4217 currency` }]
      : [],
  );
  return isTimeZone(market.timeZone)
    ? currencies
    : [...currencies, { path: `${path}/timeZone`, message: `"${market.timeZone}" is not an IANA time zone` }];
}

function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

function repeatedIds(entities: readonly { id: string }[], path: string): Problem[] {
  const seen = new Set<string>();
  return entities.flatMap(({ id }, i) => {
    const repeated = seen.has(id);
    seen.add(id);
    return repeated ? [{ path: `${path}/${i}/id`, message: `"${id}" is used more than once` }] : [];
  });
}

function unknown(
  ids: readonly string[],
  known: ReadonlySet<string>,
  what: string,
  path: (index: number) => string,
): Problem[] {
  return ids.flatMap((id, i) => (known.has(id) ? [] : [{ path: path(i), message: `there is no ${what} "${id}"` }]));
}
