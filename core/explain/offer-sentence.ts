import { conditionWords } from "../conditions/words.ts";
import { amountOf, goalText, markAt } from "../measures/measure-spec.ts";
import { onlyWords } from "../measures/only-goods.ts";
import { pickText } from "../messages/locale.ts";
import { type Amount, type AmountContext, amountFor } from "../money/amount.ts";
import { makersMoney } from "../money/format.ts";
import type { Offer, Step } from "../offers/offer.ts";
import { stackingOf } from "../offers/stacking.ts";
import { codesOf, goalOf, triggerKind } from "../offers/trigger.ts";
import { type Plan, ratesOf, savedOf } from "../plan/plan.ts";
import { goodsOf, isOnOrder, type Reward, rewardKind, rewardOptions } from "../rewards/reward.ts";
import { byPosition } from "../schema/atoms.ts";
import { againWords } from "../time/occurrences.ts";
import type { Stretch } from "../time/stretch.ts";

/** A piece of a sentence; pieces with `step` are that step's spend goal, so that a screen can make them editable. */
export type SentencePart = { text: string; step?: string };

/**
 * The sentence that says what an offer does, computed from its settings, in English for the people who make it.
 *
 * @example "Free Standard delivery from €45, and Express for €4.90 from €80, in Mainland Portugal."
 */
export function offerSentence(plan: Plan, offer: Offer, market: string, currency: string): SentencePart[] {
  const context = { zone: null, market, currency, rates: ratesOf(plan) };
  const steps = [...offer.steps].sort(byPosition);
  const parts = steps.flatMap((step, i): SentencePart[] => [
    ...(i > 0 ? [{ text: i === steps.length - 1 ? ", and " : ", " }] : []),
    ...stepParts(plan, offer, step, context, i === 0),
  ]);
  return [...parts, { text: `, ${[whereWords(plan, offer), ...restWords(plan, offer, context)].join(", ")}.` }];
}

function stepParts(plan: Plan, offer: Offer, step: Step, context: AmountContext, first: boolean): SentencePart[] {
  const reward = rewardWords(plan, offer, step, context, first);
  const { trigger } = step;
  const tail = triggerKind(trigger).tail(codeWords(codesOf(trigger)));
  const goal = goalOf(trigger);
  if (!goal) return [{ text: `${reward}${tail}` }];
  const { at, edge } = goal;
  const wordsOf = (zone: string | null): string => {
    const reached = markAt(at, { ...context, zone });
    return reached === undefined
      ? `(no goal in ${context.currency})`
      : goalWords(offer.counts.kind, reached, context.currency);
  };
  const amount = amountOf(at);
  const text = wordsOf(null);
  const shown: SentencePart = amount ? { text, step: step.id } : { text };
  const own = amount ? ownWords(plan, offer, amount, context, wordsOf) : "";
  const rest = `${own}${onlyWords(offer.counts.only, context)}${tail}`;
  return [{ text: `${reward} ${edge} ` }, shown, ...(rest ? [{ text: rest }] : [])];
}

/** What zones of the market have of their own. @example " (€149 in Azores, €129 in Madeira)" */
function ownWords(
  plan: Plan,
  offer: Offer,
  amount: Amount,
  { market, currency }: AmountContext,
  wordsOf: (zone: string) => string,
): string {
  const zones = plan.zones
    .filter(({ id, market: of }) => of === market && offer.zones.includes(id) && amount.byZone?.[id]?.[currency])
    .sort(byPosition);
  const words = zones.map(({ id, name }) => `${wordsOf(id)} in ${name}`);
  return words.length > 0 ? ` (${words.join(", ")})` : "";
}

/** A goal of value, items or weight, in whole units of it. @example goalWords("items", 5, "EUR") // "5 items" */
export function goalWords(kind: Offer["counts"]["kind"], goal: number, currency: string): string {
  if (kind === "value") return makersMoney(goal, currency, "short");
  const text = goalText(kind, goal, currency, "en");
  return kind === "items" ? `${text} ${goal === 1 ? "item" : "items"}` : text;
}

const codeWords = (codes: readonly string[]) =>
  codes.length > 3
    ? `one of ${codes.length} codes`
    : `code ${new Intl.ListFormat("en", { type: "disjunction" }).format(codes)}`;

/** What a step gives, without where or when. @example "Free Standard delivery" */
export const stepWords = (plan: Plan, { reward }: Step): string =>
  rewardKind(reward).title(reward, { optionName: (id) => nameOf(plan, id), options: optionNames(plan, reward) });

const optionNames = (plan: Plan, reward: Reward) => listWords(rewardOptions(reward).map((id) => nameOf(plan, id)));

function nameOf(plan: Plan, id: string): string {
  const option = plan.options.find((candidate) => candidate.id === id);
  return option ? (pickText(option.name, "en", [])?.text ?? id) : id;
}

function rewardWords(plan: Plan, offer: Offer, { reward }: Step, context: AmountContext, first: boolean): string {
  const { currency } = context;
  const amount = (value: Amount) => {
    const wordsOf = (zone: string | null): string => {
      const minor = amountFor(value, { ...context, zone });
      return minor === undefined ? `(no amount in ${currency})` : makersMoney(minor, currency);
    };
    return `${wordsOf(null)}${ownWords(plan, offer, value, context, wordsOf)}`;
  };
  const limit = isOnOrder(reward) || !reward.limit ? "" : ` where it costs no more than ${amount(reward.limit)}`;
  const optionName = (id: string) => nameOf(plan, id);
  const speech = { amount, optionName, options: optionNames(plan, reward), first };
  const goods = goodsOf(reward);
  const share = goods ? ` on the share${onlyWords(goods, context)}` : "";
  return `${rewardKind(reward).words(reward, speech)}${share}${limit}`;
}

function whereWords(plan: Plan, offer: Offer): string {
  const names = plan.zones
    .filter(({ id }) => offer.zones.includes(id))
    .sort(byPosition)
    .map(({ name }) => name);
  return names.length === 0 ? "nowhere yet" : `in ${listWords(names)}`;
}

/** For whom, when, how often, with what else. */
function restWords(plan: Plan, offer: Offer, context: AmountContext): string[] {
  const { channels, when, schedule, limits } = offer;
  const nameOfChannel = (id: string) => plan.store.channels?.find((one) => one.id === id)?.name ?? id;
  const stretch = ({ from, until, again }: Stretch) =>
    [from && `from ${localWords(from)}`, until && `until ${localWords(until)}`, again && againWords(again)]
      .filter(Boolean)
      .join(" ");
  const often = [
    limits?.perShopper &&
      `${times(limits.perShopper)} per shopper${limits.guests === "every-time" ? " and each time for guests" : ""}`,
    limits?.overall && `${times(limits.overall)} in all`,
  ].filter((words) => words !== undefined && words !== 0);
  return [
    ...(channels ? [`on ${listWords(channels.map(nameOfChannel))}`] : []),
    ...(when ? [`when ${conditionWords(when, context, savedOf(plan))}`] : []),
    ...(schedule ? [schedule.map(stretch).join(" and ")] : []),
    ...(often.length > 0 ? [often.join(", ")] : []),
    ...togetherWords(plan, offer),
  ];
}

/** Those an offer can really meet and be used with: both have to allow it. */
function togetherWords(plan: Plan, offer: Offer): string[] {
  if (!offer.stacking || offer.stacking.kind === "alone") return [];
  const names = stackingOf(plan, offer)
    .filter(({ outcome }) => outcome === "together")
    .map(({ other }) => other.name);
  if (names.length === 0) return [];
  return [`together with ${names.length > 3 ? `${names.length} other offers` : listWords(names)}`];
}

/** @example localWords("2026-11-27T09:00") // "27 Nov 2026, 09:00" */
function localWords(local: string): string {
  const day = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeZone: "UTC" });
  const [date = "", time] = local.split("T");
  return [day.format(new Date(`${date}T00:00:00Z`)), time].filter(Boolean).join(", ");
}

const times = (count: number) => (count === 1 ? "once" : count === 2 ? "twice" : `${count} times`);
const listWords = (words: readonly string[]) => new Intl.ListFormat("en", { type: "conjunction" }).format(words);
