import { tellsACode } from "../../cart/codes.ts";
import type { Evaluation } from "../../evaluate/evaluation.ts";
import { formatMessage, formatOrTell, type MessageValues, type UnsaidText } from "../../messages/format-message.ts";
import { pickText } from "../../messages/locale.ts";
import { isMessageState, type MessageState, type StepState, SURFACES, type Surface } from "../../messages/states.ts";
import type { StepWording } from "../../messages/step-wording.ts";
import { amountFor } from "../../money/amount.ts";
import { formatMoney } from "../../money/format.ts";
import type { QuoteRequest } from "../../request/request.ts";
import { type Reward, rewardKind, rewardOptions } from "../../rewards/reward.ts";
import type { Tariff, TariffOffer, TariffStep } from "../../tariff/tariff.ts";
import { instantOf } from "../../time/instant.ts";
import { inTime } from "../options/price-option.ts";
import type { Progress, QuotedMessage, StepProgress } from "../quote.ts";

export const localeOf = (request: Pick<QuoteRequest, "locale">, tariff: Tariff) =>
  request.locale ?? tariff.market.languages[0] ?? "en";

/** A step as it stands, in the order of its ladder. */
type Rung = { readonly state: StepState; readonly remaining: number | null };

/** What is worth values about an offer: the highest step earned, then the nearest that can be, else what stands in its way. */
export function stepsToMention<Entry extends Rung>(ladder: readonly Entry[]): Entry[] {
  const earned = ladder.filter(({ state }) => state === "reached").at(-1);
  const next = ladder.find((entry) => isAhead(entry) && speaksForItself(entry, ladder));
  const spoken = [earned, next].filter((entry) => entry !== undefined);
  if (spoken.length > 0) return spoken;
  const silent =
    ladder.find(({ state }) => state === "code-missing") ??
    ladder.find(({ state }) => state === "covered" || state === "blocked");
  return silent ? [silent] : [];
}

const isAhead = ({ state }: Rung) => state === "empty" || state === "on-the-way" || state === "sign-in";

/** Whether what a step asks for leads to it alone: where a later step is earned with it, that one speaks. */
function speaksForItself(entry: Rung, ladder: readonly Rung[]): boolean {
  const { remaining } = entry;
  if (remaining === null) return true;
  const later = ladder.slice(ladder.indexOf(entry) + 1);
  return later.every((other) => other.remaining === null || other.remaining > remaining);
}

/** Whether a step's own goal is spoken of, among all steps of a quote. */
export const isAnnounced = (entry: StepProgress, progress: readonly StepProgress[]): boolean =>
  speaksForItself(
    entry,
    progress.filter(({ offer }) => offer === entry.offer),
  );

const NEARLY = 80;

/** The finer states a step may be spoken of in, the plainest last. */
export function messageStates(
  state: StepState,
  ladder: readonly { readonly state: StepState }[],
  index: number,
  percent: number,
  nearlyThere: string | undefined,
): MessageState[] {
  if (state === "on-the-way") {
    const between = ladder.slice(0, index).some((earlier) => earlier.state === "reached");
    const near = percent >= Number(nearlyThere ?? NEARLY);
    return [...(near ? (["nearly-there"] as const) : []), ...(between ? (["between"] as const) : []), "on-the-way"];
  }
  if (state === "reached") return ladder.length > 1 && index === ladder.length - 1 ? ["top", "reached"] : ["reached"];
  return isMessageState(state) ? [state] : [];
}

export function stepMessages(
  tariff: Tariff,
  progress: readonly StepProgress[],
  now: Evaluation,
  request: QuoteRequest,
  unsaid: UnsaidText[],
): QuotedMessage[] {
  const here = tariff.offers.flatMap((offer) => {
    const ladder = progress.filter((entry) => entry.offer === offer);
    return stepsToMention(ladder).flatMap((entry) => {
      // Where no amount that can be said earns the step, nothing is promised.
      if (entry.remaining !== null && entry.said === null) return [];
      const states = messageStates(
        entry.state,
        ladder,
        ladder.indexOf(entry),
        entry.shown?.percent ?? 0,
        offer.offer.nearlyThere,
      );
      return surfaceMessages(tariff, offer, entry.step, states, entry.state, entry.shown, request, unsaid);
    });
  });
  const elsewhere = tariff.elsewhere.flatMap((offer) => {
    if (!inTime(offer, now)) return [];
    const [step] = offer.steps;
    return step ? surfaceMessages(tariff, offer, step, ["not-for-place"], "not-for-place", null, request, unsaid) : [];
  });
  return [...here, ...elsewhere];
}

/** What is said about steps that depend on where it goes, while that is not known. */
export function placeUnknownMessages(
  tariffs: readonly Tariff[],
  progress: readonly Progress[],
  request: QuoteRequest,
  unsaid: UnsaidText[],
): QuotedMessage[] {
  return progress.flatMap((entry) => {
    if (entry.state !== "place-unknown") return [];
    for (const tariff of tariffs) {
      const offer = tariff.offers.find(({ id }) => id === entry.offer);
      const step = offer?.steps.find((one) => one.step.id === entry.step);
      if (!offer || !step) continue;
      const said = surfaceMessages(tariff, offer, step, ["place-unknown"], "place-unknown", entry, request, unsaid);
      if (said.length > 0) return said;
    }
    return [];
  });
}

/** One message for each surface that has a text, in words. */
function surfaceMessages(
  tariff: Tariff,
  offer: TariffOffer,
  step: TariffStep,
  states: readonly MessageState[],
  state: StepState,
  shown: Progress | null,
  request: QuoteRequest,
  unsaid: UnsaidText[],
): QuotedMessage[] {
  const locale = localeOf(request, tariff);
  return SURFACES.flatMap((surface) => {
    const texts = textsFor(step.step.wording, tariff.store.wording, surface, states);
    const picked = texts && pickText(texts, locale, tariff.market.languages);
    if (!picked) return [];
    // Whoever reads that only a code is missing is not told which.
    if (state === "code-missing" && tellsACode(picked.text, step.codes)) return [];
    const values = messageValues(tariff, offer, step, picked, state, shown, instantOf(request.at));
    const text = formatOrTell(picked, () => formatMessage(values, tariff.currency), unsaid);
    return text === undefined ? [] : [{ surface, offer: offer.id, step: step.step.id, state, text }];
  });
}

/** A text with everything it may mention, for one step as it stands. */
export function messageValues(
  tariff: Tariff,
  offer: TariffOffer,
  step: TariffStep,
  picked: { readonly text: string; readonly locale: string },
  state: StepState,
  shown: Pick<Progress, "counted" | "remainingSaid" | "percent"> | null,
  at: number,
): MessageValues {
  return {
    ...picked,
    offer: offer.id,
    step: step.step.id,
    state,
    measure: offer.offer.counts.kind,
    goal: step.goal?.at ?? null,
    counted: shown?.counted ?? null,
    remaining: shown?.remainingSaid ?? null,
    percent: shown?.percent ?? 0,
    reward: rewardText(step.step.reward, tariff, picked.locale),
    option: optionText(step.step.reward, tariff, picked.locale),
    deadline: deadlineOf(offer, at),
    timeZone: tariff.market.timeZone,
    place: tariff.zone.name,
  };
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

/** The figure of a reward, for sentences that name it: money, a percent, a gift. Free delivery has none. */
function rewardText(reward: Reward, { market, currency, rates }: Tariff, locale: string): string {
  return rewardKind(reward).figure(reward, {
    percent: (text) =>
      new Intl.NumberFormat(locale, { style: "percent", maximumFractionDigits: 6 }).format(Number(text) / 100),
    money: (amount) => {
      const minor = amountFor(amount, { market: market.id, currency, rates });
      return minor === undefined ? "" : formatMoney(minor, currency, locale, "short");
    },
  });
}

/** The first option a reward is given on, by the name the shopper knows it by; one with figures in it goes without. */
function optionText(reward: Reward, tariff: Tariff, locale: string): string {
  const [first] = rewardOptions(reward);
  const name = tariff.options.find(({ id }) => id === first)?.option.name;
  const text = name && pickText(name, locale, tariff.market.languages)?.text;
  return text && !text.includes("{") ? text : "";
}

/** The end of the stretch of an offer's schedule that is now; null when there is none. */
function deadlineOf({ schedule }: TariffOffer, at: number): number | null {
  const stretch = schedule?.find(([start, end]) => start <= at && at < end);
  return stretch && Number.isFinite(stretch[1]) ? stretch[1] : null;
}
