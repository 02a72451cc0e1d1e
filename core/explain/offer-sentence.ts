import { conditionWords } from "../conditions/words.ts";
import { amountOf, goalFigure, markAt } from "../measures/measure-spec.ts";
import { onlyWords } from "../measures/only-goods.ts";
import { pickText } from "../messages/locale.ts";
import { type Amount, type AmountContext, amountFor } from "../money/amount.ts";
import { writtenMoney } from "../money/format.ts";
import type { Offer, Step } from "../offers/offer.ts";
import { stackingOf } from "../offers/stacking.ts";
import { codesOf, goalOf, triggerKind } from "../offers/trigger.ts";
import { andList, joined, orList, type Phrase, type PhraseValue, phrase } from "../phrases/phrase.ts";
import { type Plan, ratesOf, savedOf } from "../plan/plan.ts";
import { goodsOf, isOnOrder, type Reward, rewardKind, rewardOptions } from "../rewards/reward.ts";
import { byPosition } from "../schema/atoms.ts";
import { againWords } from "../time/occurrences.ts";
import type { Stretch } from "../time/stretch.ts";

/** A piece of a sentence; pieces with `step` are that step's spend goal, so that a screen can make them editable. */
export type SentencePart = { text: PhraseValue; step?: string };

/** The sentence in one piece. */
export const wholeSentence = (parts: readonly SentencePart[]): Phrase =>
  joined(
    parts.map(({ text }) => text),
    "",
  );

/**
 * The sentence that says what an offer does, computed from its settings.
 *
 * @example "Free Standard delivery from €45, and Express for €4.90 from €80, in Mainland Portugal."
 */
export function offerSentence(plan: Plan, offer: Offer, market: string, currency: string): SentencePart[] {
  const context = { zone: null, market, currency, rates: ratesOf(plan) };
  const steps = [...offer.steps].sort(byPosition);
  const parts = steps.flatMap((step, i): SentencePart[] => [
    ...(i > 0 ? [{ text: i === steps.length - 1 ? phrase(", and ") : ", " }] : []),
    ...stepParts(plan, offer, step, context, i === 0),
  ]);
  const rest = joined([whereWords(plan, offer), ...restWords(plan, offer, context)], ", ");
  return [...parts, { text: phrase(", {rest}.", { rest }) }];
}

function stepParts(plan: Plan, offer: Offer, step: Step, context: AmountContext, first: boolean): SentencePart[] {
  const reward = rewardWords(plan, offer, step, context, first);
  const { trigger } = step;
  const tail = triggerKind(trigger).tail(codeWords(codesOf(trigger)));
  const goal = goalOf(trigger);
  if (!goal) return [{ text: joined([reward, tail], "") }];
  const { at, edge } = goal;
  const wordsOf = (zone: string | null): PhraseValue => {
    const reached = markAt(at, { ...context, zone });
    return reached === undefined
      ? phrase("(no goal in {currency})", { currency: context.currency })
      : goalWords(offer.counts.kind, reached, context.currency);
  };
  const amount = amountOf(at);
  const text = wordsOf(null);
  const shown: SentencePart = amount ? { text, step: step.id } : { text };
  const own = amount ? ownWords(plan, offer, amount, context, wordsOf) : "";
  const only = onlyWords(offer.counts.only, context);
  const rest = [own, only ? joined([" ", only], "") : "", tail].filter((part) => part !== "");
  return [
    { text: edge === "from" ? phrase("{reward} from ", { reward }) : phrase("{reward} above ", { reward }) },
    shown,
    ...(rest.length > 0 ? [{ text: joined(rest, "") }] : []),
  ];
}

/** What zones of the market have of their own. @example " (€149 in Azores, €129 in Madeira)" */
function ownWords(
  plan: Plan,
  offer: Offer,
  amount: Amount,
  { market, currency }: AmountContext,
  wordsOf: (zone: string) => PhraseValue,
): PhraseValue {
  const zones = plan.zones
    .filter(({ id, market: of }) => of === market && offer.zones.includes(id) && amount.byZone?.[id]?.[currency])
    .sort(byPosition);
  const words = zones.map(({ id, name }) => phrase("{amount} in {zone}", { amount: wordsOf(id), zone: name }));
  return words.length > 0 ? phrase(" ({words})", { words: joined(words, ", ") }) : "";
}

/** A goal of value, items or weight, in whole units of it. @example goalWords("items", 5, "EUR") // "5 items" */
export const goalWords = (kind: Offer["counts"]["kind"], goal: number, currency: string): PhraseValue => {
  if (kind === "value") return writtenMoney(goal, currency, "short");
  return kind === "items"
    ? phrase("{goal, plural, one {# item} other {# items}}", { goal })
    : goalFigure(kind, goal, currency);
};

const codeWords = (codes: readonly string[]): Phrase =>
  codes.length > 3
    ? phrase("one of {count} codes", { count: codes.length })
    : phrase("code {codes}", { codes: orList(codes) });

/** What a step gives, without where or when. @example "Free Standard delivery" */
export const stepWords = (plan: Plan, { reward }: Step): Phrase =>
  rewardKind(reward).title(reward, { optionName: (id) => nameOf(plan, id), options: optionNames(plan, reward) });

const optionNames = (plan: Plan, reward: Reward) => andList(rewardOptions(reward).map((id) => nameOf(plan, id)));

function nameOf(plan: Plan, id: string): string {
  const option = plan.options.find((candidate) => candidate.id === id);
  return option ? (pickText(option.name, "en", [])?.text ?? id) : id;
}

function rewardWords(plan: Plan, offer: Offer, { reward }: Step, context: AmountContext, first: boolean): Phrase {
  const { currency } = context;
  const amount = (value: Amount): Phrase => {
    const wordsOf = (zone: string | null): PhraseValue => {
      const minor = amountFor(value, { ...context, zone });
      return minor === undefined ? phrase("(no amount in {currency})", { currency }) : writtenMoney(minor, currency);
    };
    return joined([wordsOf(null), ownWords(plan, offer, value, context, wordsOf)], "");
  };
  const limit =
    isOnOrder(reward) || !reward.limit
      ? ""
      : phrase(" where it costs no more than {amount}", { amount: amount(reward.limit) });
  const optionName = (id: string) => nameOf(plan, id);
  const speech = { amount, optionName, options: optionNames(plan, reward), first };
  const goods = onlyWords(goodsOf(reward), context);
  const share = goods ? phrase(" on the share {goods}", { goods }) : goodsOf(reward) ? phrase(" on the share") : "";
  return joined([rewardKind(reward).words(reward, speech), share, limit], "");
}

function whereWords(plan: Plan, offer: Offer): Phrase {
  const names = plan.zones
    .filter(({ id }) => offer.zones.includes(id))
    .sort(byPosition)
    .map(({ name }) => name);
  return names.length === 0 ? phrase("nowhere yet") : phrase("in {zones}", { zones: andList(names) });
}

/** For whom, when, how often, with what else. */
function restWords(plan: Plan, offer: Offer, context: AmountContext): Phrase[] {
  const { channels, when, schedule, limits } = offer;
  const nameOfChannel = (id: string) => plan.store.channels?.find((one) => one.id === id)?.name ?? id;
  return [
    ...(channels ? [phrase("on {channels}", { channels: andList(channels.map(nameOfChannel)) })] : []),
    ...(when ? [phrase("when {condition}", { condition: conditionWords(when, context, savedOf(plan)) })] : []),
    ...(schedule ? [joined(schedule.map(stretchWords), phrase(" and "))] : []),
    ...(limits ? limitWords(limits) : []),
    ...togetherWords(plan, offer),
  ];
}

const stretchWords = ({ from, until, again }: Stretch): Phrase =>
  joined([
    from ? phrase("from {moment}", { moment: localWords(from) }) : "",
    until ? phrase("until {moment}", { moment: localWords(until) }) : "",
    again ? againWords(again) : "",
  ]);

function limitWords({ perShopper, overall, guests }: NonNullable<Offer["limits"]>): Phrase[] {
  const each = perShopper ? times(perShopper) : null;
  return [
    ...(each
      ? [
          guests === "every-time"
            ? phrase("{times} per shopper and each time for guests", { times: each })
            : phrase("{times} per shopper", { times: each }),
        ]
      : []),
    ...(overall ? [phrase("{times} in all", { times: times(overall) })] : []),
  ];
}

/** Those an offer can really meet and be used with: both have to allow it. */
function togetherWords(plan: Plan, offer: Offer): Phrase[] {
  if (!offer.stacking || offer.stacking.kind === "alone") return [];
  const names = stackingOf(plan, offer)
    .filter(({ outcome }) => outcome === "together")
    .map(({ other }) => other.name);
  if (names.length === 0) return [];
  return [
    names.length > 3
      ? phrase("together with {count} other offers", { count: names.length })
      : phrase("together with {offers}", { offers: andList(names) }),
  ];
}

/** @example localWords("2026-11-27T09:00") // "27 Nov 2026, 09:00" */
function localWords(local: string): Phrase {
  const [moment = "", time = ""] = local.split("T");
  return joined([{ moment, options: { dateStyle: "medium" } }, time], ", ");
}

const times = (count: number): Phrase => phrase("{count, plural, =1 {once} =2 {twice} other {# times}}", { count });
