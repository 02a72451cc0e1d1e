import { tellsACode } from "../../cart/codes.ts";
import type { Terms } from "../../evaluate/evaluation.ts";
import { formatMessage, formatOrTell, type UnsaidText } from "../../messages/format-message.ts";
import { pickText } from "../../messages/locale.ts";
import { type MessageState, SURFACES, type Surface } from "../../messages/states.ts";
import { stepValues } from "../../messages/step-variables.ts";
import type { StepWording } from "../../messages/step-wording.ts";
import type { TariffOffer, TariffStep } from "../../tariff/tariff-offer.ts";
import type { Progress, QuotedMessage } from "../answer/quote.ts";
import { localeOf, type QuoteIn } from "../answer/quote-in.ts";
import { inTime } from "../options/price-option.ts";
import type { StepProgress } from "../progress/progress.ts";
import { stepsToMention, textSources } from "./mentioned.ts";
import { type FiguredStep, StepFigures } from "./step-figures.ts";

/** A step that something is said about, and in which words of it. */
type Mention = FiguredStep & {
  /** The finer states its text may be found under, the plainest last. */
  readonly states: readonly MessageState[];
};
type PickedText = { readonly locale: string; readonly text: string };

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
  shown: FiguredStep["shown"],
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
