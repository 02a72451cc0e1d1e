import { tellsACode } from "../../cart/codes.ts";
import type { Terms } from "../../evaluate/evaluation.ts";
import { formatMessage, formatOrTell, type UnsaidText } from "../../messages/format-message.ts";
import { freeWord } from "../../messages/free-word.ts";
import { goodsName } from "../../messages/goods-name.ts";
import { pickText } from "../../messages/locale.ts";
import { type MessageState, type StepState, SURFACES, type Surface } from "../../messages/states.ts";
import { stepValues } from "../../messages/step-variables.ts";
import type { StepWording } from "../../messages/step-wording.ts";
import type { MessageValues } from "../../messages/variable.ts";
import { amountFor } from "../../money/amount.ts";
import { formatMoney } from "../../money/format.ts";
import { numberFormat } from "../../phrases/intl-formats.ts";
import { type Reward, rewardKind, rewardOptions } from "../../rewards/reward.ts";
import type { Tariff } from "../../tariff/tariff.ts";
import type { TariffOffer, TariffStep } from "../../tariff/tariff-offer.ts";
import type { Progress, QuotedMessage } from "../answer/quote.ts";
import { localeOf, type QuoteIn } from "../answer/quote-in.ts";
import { inTime } from "../options/price-option.ts";
import type { StepProgress } from "../progress/progress.ts";
import { stepsToMention, textSources } from "./mentioned.ts";

/** A step that something is said about: how it stands, in which words of it, with which figures. */
type Mention = {
  readonly offer: TariffOffer;
  readonly step: TariffStep;
  readonly state: StepState;
  /** The finer states its text may be found under, the plainest last. */
  readonly states: readonly MessageState[];
  readonly shown: Figures | null;
};
type PickedText = { readonly locale: string; readonly text: string };
type Figures = Pick<Progress, "counted" | "remainingSaid" | "percent">;

/** What shoppers read about the steps of offers, and about offers that hold elsewhere. */
export function stepMessages({ now, unsaid }: QuoteIn, progress: readonly StepProgress[]): QuotedMessage[] {
  const messages: QuotedMessage[] = [];
  let from = 0;
  for (const offer of now.tariff.offers) {
    // Progress has the steps of one offer after the other.
    const ladder = progress.slice(from, from + offer.steps.length);
    from += offer.steps.length;
    for (const entry of stepsToMention(ladder)) {
      // Where no amount that can be said earns the step, nothing is promised.
      if (entry.remaining !== null && entry.said === null) continue;
      const sources = textSources(entry, ladder, offer.offer.nearlyThere, ({ shown }) => shown?.percent ?? 0);
      messages.push(
        ...surfaceMessages(
          now,
          sources.map(({ entry: { step, state, shown }, states }) => ({ offer, step, state, shown, states })),
          unsaid,
        ),
      );
    }
  }
  for (const offer of now.tariff.elsewhere) {
    const [step] = offer.steps;
    if (step && inTime(offer, now))
      messages.push(...surfaceMessages(now, [inState("not-for-place", offer, step, null)], unsaid));
  }
  return messages;
}

/** What is said about steps that depend on where it goes, while that is not known. */
export function placeUnknownMessages(
  terms: readonly Terms[],
  progress: readonly Progress[],
  unsaid: UnsaidText[],
): QuotedMessage[] {
  return progress.flatMap((entry) => {
    if (entry.state !== "place-unknown") return [];
    for (const one of terms) {
      const offer = one.tariff.offers.find(({ id }) => id === entry.offer);
      const step = offer?.steps.find(({ step: { id } }) => id === entry.step);
      const said = offer && step ? surfaceMessages(one, [inState("place-unknown", offer, step, entry)], unsaid) : [];
      if (said.length > 0) return said;
    }
    return [];
  });
}

const inState = (
  state: "not-for-place" | "place-unknown",
  offer: TariffOffer,
  step: TariffStep,
  shown: Figures | null,
): Mention => ({ offer, step, state, states: [state], shown });

/** One message for each surface that has a text, in words: of the first step that has one there. */
function surfaceMessages(terms: Terms, mentions: readonly Mention[], unsaid: UnsaidText[]): QuotedMessage[] {
  const messages: QuotedMessage[] = [];
  let before: { readonly mention: Mention; readonly picked: PickedText; readonly text: string } | undefined;
  for (const surface of SURFACES) {
    const found = firstWithText(terms, mentions, surface);
    if (!found) continue;
    const { mention, picked } = found;
    const { offer, step, state } = mention;
    // Whoever reads that only a code is missing is not told which.
    if (state === "code-missing" && tellsACode(picked.text, step.codes)) continue;
    // Most texts are the same on every surface.
    const text =
      before?.mention === mention && before.picked.text === picked.text && before.picked.locale === picked.locale
        ? before.text
        : filled(terms, mention, picked, unsaid);
    if (text === undefined) continue;
    before = { mention, picked, text };
    messages.push({ surface, offer: offer.id, step: step.step.id, state, text });
  }
  return messages;
}

function firstWithText(
  terms: Terms,
  mentions: readonly Mention[],
  surface: Surface,
): { readonly mention: Mention; readonly picked: PickedText } | undefined {
  const { store, market } = terms.tariff;
  for (const mention of mentions) {
    const texts = textsFor(mention.step.step.wording, store.wording, surface, mention.states);
    const picked = texts && pickText(texts, localeOf(terms), market.languages);
    if (picked) return { mention, picked };
  }
  return undefined;
}

const filled = (terms: Terms, mention: Mention, picked: PickedText, unsaid: UnsaidText[]): string | undefined =>
  picked.text.includes("{") || picked.text.includes("'")
    ? formatOrTell(
        picked,
        () => formatMessage(picked, stepValues(new StepFigures(terms, mention, picked.locale))),
        unsaid,
      )
    : picked.text;

/** Everything that a text about a step may mention, as it stands; what takes longer is worked out when it is mentioned. */
export class StepFigures implements MessageValues {
  readonly state: StepState;
  readonly locale: string;
  private readonly tariff: Tariff;
  private readonly at: number;
  private readonly offer: TariffOffer;
  private readonly step: TariffStep;
  private readonly shown: Figures | null;
  constructor(
    { tariff, facts }: Pick<Terms, "tariff" | "facts">,
    { offer, step, state, shown }: Omit<Mention, "states">,
    locale: string,
  ) {
    this.state = state;
    this.locale = locale;
    this.tariff = tariff;
    this.at = facts.at;
    this.offer = offer;
    this.step = step;
    this.shown = shown;
  }
  get currency() {
    return this.tariff.currency;
  }
  get measure() {
    return this.offer.offer.counts.kind;
  }
  get goal() {
    return this.step.goal?.at ?? null;
  }
  get counted() {
    return this.shown?.counted ?? null;
  }
  get remaining() {
    return this.shown?.remainingSaid ?? null;
  }
  get percent() {
    return this.shown?.percent ?? 0;
  }
  get reward() {
    return rewardText(this.step.step.reward, this.tariff, this.locale);
  }
  get option() {
    return optionText(this.step.step.reward, this.tariff, this.locale);
  }
  get deadline() {
    return deadlineOf(this.offer, this.at);
  }
  get timeZone() {
    return this.tariff.market.timeZone;
  }
  get place() {
    const { called, name } = this.tariff.zone;
    return (called && pickText(called, this.locale, this.tariff.market.languages)?.text) ?? name;
  }
  get goods() {
    return goodsName(this.offer.offer.counts.only, this.locale, this.tariff.market.languages);
  }
}

/** A step's own text for a surface and state, else what the whole plan says there. */
export function textsFor(
  own: StepWording,
  otherwise: StepWording | undefined,
  surface: Surface,
  states: readonly MessageState[],
) {
  for (const wording of [own, otherwise]) {
    for (const state of states) {
      const texts = wording?.on?.[surface]?.[state] ?? wording?.[state];
      if (texts) return texts;
    }
  }
  return undefined;
}

const PERCENT = { style: "percent", maximumFractionDigits: 6 } as const;

/** What sentences call a reward: money, a percent, a gift, free delivery, another option's price. */
function rewardText(reward: Reward, tariff: Tariff, locale: string): string {
  const { zone, market, currency, rates } = tariff;
  return rewardKind(reward).figure(reward, {
    percent: (text) => numberFormat(locale, PERCENT).format(Number(text) / 100),
    money: (amount) => {
      const minor = amountFor(amount, { zone: zone.id, market: market.id, currency, rates });
      return minor === undefined ? "" : formatMoney(minor, currency, locale, "short");
    },
    free: () => freeWord(locale, tariff.store.words, market.languages),
    option: (id) => optionName(id, tariff, locale) || id,
  });
}

/** The first option a reward is given on, by the name the shopper knows it by; one with figures in it goes without. */
function optionText(reward: Reward, tariff: Tariff, locale: string): string {
  const [first] = rewardOptions(reward);
  return first === undefined ? "" : optionName(first, tariff, locale);
}

function optionName(option: string, tariff: Tariff, locale: string): string {
  const name = tariff.options.find(({ id }) => id === option)?.option.name;
  const text = name && pickText(name, locale, tariff.market.languages)?.text;
  return text && !text.includes("{") ? text : "";
}

/** The end of the stretch of an offer's schedule that is now; null when there is none. */
function deadlineOf({ schedule }: TariffOffer, at: number): number | null {
  const stretch = schedule?.find(([start, end]) => start <= at && at < end);
  return stretch && Number.isFinite(stretch[1]) ? stretch[1] : null;
}
