import { IntlMessageFormat } from "intl-messageformat";
import { goalText, measured } from "../measures/measure-spec.ts";
import type { Offer } from "../offers/offer.ts";
import type { StepState } from "./states.ts";

/** What is to be said, before it is put into words: figures in whole units of what is counted. */
export type Saying = {
  readonly offer: string;
  readonly step: string;
  readonly state: StepState;
  readonly text: string;
  readonly locale: string;
  readonly measure: Offer["counts"]["kind"];
  readonly goal: number | null;
  readonly counted: number | null;
  /** As it can be said: see `sayable`. */
  readonly remaining: number | null;
  readonly percent: number;
  readonly reward: string;
  /** The first option the reward is given on; empty for one on the order. */
  readonly option: string;
  /** When the offer ends, as a moment in UTC milliseconds; null: it does not. */
  readonly deadline: number | null;
  readonly timeZone: string;
  readonly place: string;
};

const formats = new Map<string, IntlMessageFormat>();
const MOST_FORMATS = 2000;

/** Puts a saying into words for the shopper. @throws when the text is not an ICU message, which plans are checked for */
export function speak(saying: Saying, currency: string): string {
  const { measure, locale } = saying;
  const figure = (count: number | null) => {
    if (count === null) return "";
    return measure === "items" ? count : measured(measure, count, currency, locale);
  };
  const goal =
    saying.goal === null || measure === "items" ? saying.goal : goalText(measure, saying.goal, currency, locale);
  return speakValues(saying, {
    goal: goal ?? "",
    counted: figure(saying.counted),
    remaining: figure(saying.remaining),
    percent: saying.percent,
    reward: saying.reward,
    option: saying.option,
    deadline: saying.deadline === null ? "" : deadlineText(saying.deadline, saying),
    place: saying.place,
  });
}

/** An end is the first moment that is too late; the last minute before it is what shoppers are told. */
function deadlineText(end: number, { locale, timeZone }: Pick<Saying, "locale" | "timeZone">): string {
  const format = new Intl.DateTimeFormat(locale, { dateStyle: "medium", timeStyle: "short", timeZone });
  return format.format(end - 60_000);
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
