import { pickText } from "../messages/locale.ts";
import { type Amount, type AmountContext, amountFor } from "../money/amount.ts";
import { formatMoney } from "../money/format.ts";
import { byPosition } from "../plan/atoms.ts";
import { type Plan, ratesOf } from "../plan/plan.ts";
import type { Offer, Step } from "./offer.ts";

/** A piece of a sentence; pieces with `step` are that step's goal, so that a screen can make them editable. */
export type SentencePart = { text: string; step?: string };

/**
 * The sentence that says what an offer does, computed from its settings, in English for the people who make it.
 *
 * @example "Free Standard delivery from €45, and Express for €4.90 from €80, in Mainland Portugal."
 */
export function offerSentence(plan: Plan, offer: Offer, market: string, currency: string): SentencePart[] {
  const context = { market, currency, rates: ratesOf(plan) };
  const steps = [...offer.steps].sort(byPosition);
  const parts = steps.flatMap((step, i): SentencePart[] => [
    ...(i > 0 ? [{ text: i === steps.length - 1 ? ", and " : ", " }] : []),
    { text: `${rewardWords(plan, step, context, i === 0)} ${step.goal.edge} ` },
    goalPart(step, context),
  ]);
  return [...parts, { text: `, ${whereWords(plan, offer)}.` }];
}

function goalPart(step: Step, context: AmountContext): SentencePart {
  const { currency } = context;
  const at = amountFor(step.goal.at, context);
  return {
    text: at === undefined ? `(no goal in ${currency})` : formatMoney(at, currency, "en", "short"),
    step: step.id,
  };
}

/** What a step gives, without where or when. @example "Free Standard delivery" */
export function stepWords(plan: Plan, step: Step): string {
  const { reward } = step;
  const names = optionNames(plan, step);
  switch (reward.kind) {
    case "free":
      return `Free ${names} delivery`;
    case "flat-price":
      return `${names} at a flat price`;
    case "option-price":
      return `${names} at the price of ${nameOf(plan, reward.of)}`;
    case "percent-off":
      return `${reward.percent}% off ${names}`;
    case "money-off":
      return `Money off ${names}`;
  }
}

const optionNames = (plan: Plan, step: Step) => listWords(step.reward.options.map((id) => nameOf(plan, id)));

function nameOf(plan: Plan, id: string): string {
  const option = plan.options.find((candidate) => candidate.id === id);
  return option ? (pickText(option.name, "en", [])?.text ?? id) : id;
}

function rewardWords(plan: Plan, step: Step, context: AmountContext, first: boolean): string {
  const { reward } = step;
  const names = optionNames(plan, step);
  const { currency } = context;
  const amount = (value: Amount) => {
    const minor = amountFor(value, context);
    return minor === undefined ? `(no amount in ${currency})` : formatMoney(minor, currency, "en");
  };
  switch (reward.kind) {
    case "free":
      return `${first ? "Free" : "free"} ${names} delivery`;
    case "option-price":
      return `${names} at the price of ${nameOf(plan, reward.of)}`;
    case "flat-price":
      return `${names} for ${amount(reward.amount)}`;
    case "percent-off":
      return `${reward.percent}% off ${names}`;
    case "money-off":
      return `${amount(reward.amount)} off ${names}`;
  }
}

function whereWords(plan: Plan, offer: Offer): string {
  const names = plan.zones
    .filter(({ id }) => offer.zones.includes(id))
    .sort(byPosition)
    .map(({ name }) => name);
  return names.length === 0 ? "nowhere yet" : `in ${listWords(names)}`;
}

const listWords = (words: readonly string[]) => new Intl.ListFormat("en", { type: "conjunction" }).format(words);
