import { hasNoPrice, sumOf } from "../../delivery/full-price.ts";
import type { Picture } from "../../delivery/picture.ts";
import type { PricedOption } from "../../evaluate/evaluation.ts";
import { formatMessage, formatOrTell } from "../../messages/format-message.ts";
import { pickText } from "../../messages/locale.ts";
import { optionValues } from "../../messages/option-variables.ts";
import { plainText, type RichText, runsOf } from "../../messages/rich-text.ts";
import type { OptionFigures } from "../../messages/variable.ts";
import { rounded } from "../../money/linear-amount.ts";
import type { TariffOption } from "../../tariff/tariff.ts";
import type { QuotedOption } from "../answer/quote.ts";
import { localeOf, type QuoteIn } from "../answer/quote-in.ts";
import type { StepProgress } from "../progress/progress.ts";
import { isAnnounced } from "./mentioned.ts";

export type OptionTexts = Pick<QuotedOption, "name" | "note" | "noteRuns" | "picture" | "pickup">;

/**
 * Name and note, and where it is collected, as the shopper reads them. They may mention the price, what was saved, and the next goal that would
 * better this very option, so that nobody has to keep a second option to advertise an offer.
 */
export function optionTexts(
  { now, unsaid }: Pick<QuoteIn, "now" | "unsaid">,
  { id, option, number, pickup }: TariffOption,
  priced: PricedOption,
  progress: readonly StepProgress[],
): OptionTexts {
  const { market, currency } = now.tariff;
  const locale = localeOf(now);
  const filled = (picked: { readonly locale: string; readonly text: string }): string | undefined => {
    if (!picked.text.includes("{")) return picked.text;
    const figures = (): OptionFigures => ({
      locale: picked.locale,
      currency,
      ...pricesOf(priced),
      ...nextGoal(number, progress),
    });
    return formatOrTell(picked, () => formatMessage(picked, optionValues(figures())), unsaid);
  };
  const called = pickText(option.name, locale, market.languages);
  const note = option.note && pickText(option.note, locale, market.languages);
  const told = (texts: Readonly<Record<string, string>> | undefined) =>
    texts && pickText(texts, locale, market.languages)?.text;
  const address = told(pickup?.address);
  const instructions = told(pickup?.instructions);
  // Once no goal is left, a note about it has nothing to tell.
  const isTold = (text: string) => !ABOUT_GOAL.test(text) || nextGoal(number, progress).goal !== null;
  const texts: OptionTexts = { name: (called && filled(called)) ?? id };
  if (note)
    Object.assign(
      texts,
      noteOf(note.text, (text) => (isTold(text) ? filled({ locale: note.locale, text }) : undefined)),
    );
  if (option.picture) texts.picture = pictureOf(option.picture, told(option.picture.alt));
  if (address !== undefined) texts.pickup = { address, ...(instructions === undefined ? {} : { instructions }) };
  return texts;
}

const ABOUT_GOAL = /\{(goal|remaining)\}/;

/** A note with its figures: what it says, and its stretches where they look different. One that cannot be filled is left out whole. */
function noteOf(note: RichText, filled: (text: string) => string | undefined): Pick<QuotedOption, "note" | "noteRuns"> {
  if (typeof note === "string") {
    const text = filled(note);
    return text === undefined ? {} : { note: text };
  }
  const runs = runsOf(note).map((run) => ({ ...run, text: filled(run.text) }));
  const said = runs.flatMap(({ text, ...look }) => (text === undefined ? [] : [{ text, ...look }]));
  if (said.length < runs.length) return {};
  return { note: plainText(said), noteRuns: said };
}

const pictureOf = ({ type, data, width, height }: Picture, alt = ""): NonNullable<QuotedOption["picture"]> => ({
  source: `data:${type};base64,${data}`,
  width,
  height,
  alt,
});

const pricesOf = ({ full, price }: PricedOption): Pick<OptionFigures, "price" | "fullPrice"> =>
  hasNoPrice(full) || typeof price === "string"
    ? { price: null, fullPrice: null }
    : { price: rounded(price), fullPrice: rounded(sumOf(full)) };

/** The next goal that would better an option, and what is missing to it. */
function nextGoal(
  number: number,
  progress: readonly StepProgress[],
): Pick<OptionFigures, "measure" | "goal" | "remaining"> {
  const next = progress.find(
    (entry) => entry.said !== null && entry.step.options.includes(number) && isAnnounced(entry, progress),
  );
  const measure = next?.offer.offer.counts.kind ?? "value";
  return { measure, goal: next?.step.goal?.at ?? null, remaining: next?.said ?? null };
}
