import { IntlMessageFormat } from "intl-messageformat";
import { formatMoney } from "../money/format.ts";
import type { StepState } from "../quote/progress.ts";

/** Places where a shopper reads about offers. */
export const SURFACES = ["cart", "checkout"] as const;
export type Surface = (typeof SURFACES)[number];

/** What is to be said, before it is put into words: figures in minor units. */
export type Saying = {
  readonly offer: string;
  readonly step: string;
  readonly state: Exclude<StepState, "covered" | "blocked">;
  readonly text: string;
  readonly locale: string;
  readonly goal: number;
  readonly counted: number;
  readonly remaining: number | null;
  readonly percent: number;
};

const formats = new Map<string, IntlMessageFormat>();
const MOST_FORMATS = 2000;

/** Puts a saying into words for the shopper. @throws when the text is not an ICU message, which plans are checked for */
export function speak(saying: Saying, currency: string): string {
  const money = (minor: number | null, style: "exact" | "short") =>
    minor === null ? "" : formatMoney(minor, currency, saying.locale, style);
  return speakValues(saying, {
    goal: money(saying.goal, "short"),
    counted: money(saying.counted, "exact"),
    remaining: money(saying.remaining, "exact"),
    percent: saying.percent,
  });
}

/** An ICU message with its placeholders filled. Parsed texts are kept, the parser being the slow part. */
export function speakValues(
  message: { text: string; locale: string },
  values: Record<string, string | number>,
): string {
  const key = `${message.locale} ${message.text}`;
  let format = formats.get(key);
  if (!format) {
    if (formats.size >= MOST_FORMATS) formats.clear();
    format = new IntlMessageFormat(message.text, message.locale, undefined, { ignoreTag: true });
    formats.set(key, format);
  }
  return String(format.format(values));
}
