import { IntlMessageFormat } from "intl-messageformat";
import { goalText, measured } from "../measures/measure-spec.ts";
import type { Offer } from "../offers/offer.ts";
import type { StepState } from "./states.ts";
import { numbersIn } from "./wording.ts";

/** What is to be said, before it is put into words: figures in whole units of what is counted. */
export type MessageValues = {
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

const formats = new Map<string, { readonly format: IntlMessageFormat; readonly numbers: readonly string[] }>();
const MOST_FORMATS = 2000;

/** Puts a values into words for the shopper. @throws as {@link formatValues} does */
export function formatMessage(values: MessageValues, currency: string): string {
  const { measure, locale } = values;
  const figure = (count: number | null) => {
    if (count === null) return "";
    return measure === "items" ? count : measured(measure, count, currency, locale);
  };
  const goal =
    values.goal === null || measure === "items" ? values.goal : goalText(measure, values.goal, currency, locale);
  return formatValues(values, {
    goal: goal ?? "",
    counted: figure(values.counted),
    remaining: figure(values.remaining),
    percent: values.percent,
    reward: values.reward,
    option: values.option,
    deadline: values.deadline === null ? "" : deadlineText(values.deadline, values),
    place: values.place,
  });
}

/** An end is the first moment that is too late; the last minute before it is what shoppers are told. */
function deadlineText(end: number, { locale, timeZone }: Pick<MessageValues, "locale" | "timeZone">): string {
  const format = new Intl.DateTimeFormat(locale, { dateStyle: "medium", timeStyle: "short", timeZone });
  return format.format(end - 60_000);
}

/**
 * An ICU message with its placeholders filled. Parsed texts are kept, the parser being the slow part.
 *
 * @throws when the text cannot be put into words with such values, which edits and releases are checked for
 */
export function formatValues(
  message: { text: string; locale: string },
  values: Record<string, string | number>,
): string {
  const key = `${message.locale} ${message.text}`;
  let known = formats.get(key);
  if (!known) {
    if (formats.size >= MOST_FORMATS) formats.clear();
    const format = new IntlMessageFormat(message.text, message.locale, undefined, { ignoreTag: true });
    known = { format, numbers: numbersIn(format.getAst()) };
    formats.set(key, known);
  }
  for (const name of known.numbers)
    if (typeof values[name] !== "number") throw new RangeError(`{${name}} comes as a text and is taken for a number`);
  return String(known.format.format(values));
}

/** A text that could not be put into words, and was left out. */
export type UnsaidText = { readonly text: string; readonly locale: string; readonly why: string };

/** {@link formatValues} for answers that must not fail: a text that does is left out, and told. */
export function formatOrTell(
  message: { text: string; locale: string },
  formatMessage: () => string,
  unsaid: UnsaidText[],
): string | undefined {
  try {
    return formatMessage();
  } catch (error) {
    const { text, locale } = message;
    unsaid.push({ text, locale, why: error instanceof Error ? error.message : String(error) });
    return undefined;
  }
}

/** The placeholder for an amount that is still open. */
export const OPEN = "…";

/** A message of which some amounts are still open: they read as an ellipsis, numbers inside plurals too. */
export function formatOpen(
  message: { text: string; locale: string },
  values: Record<string, string | number>,
): string | undefined {
  const numbers = new OpenNumbers(message.locale);
  const formatters = {
    getNumberFormat: () => numbers,
    getPluralRules: () => new Intl.PluralRules(message.locale),
    getDateTimeFormat: () => new Intl.DateTimeFormat(message.locale),
  };
  try {
    const format = new IntlMessageFormat(message.text, message.locale, undefined, { ignoreTag: true, formatters });
    return String(format.format(values));
  } catch {
    return undefined;
  }
}

class OpenNumbers extends Intl.NumberFormat {
  override format(value: number | bigint | Intl.StringNumericLiteral): string {
    return Number.isNaN(Number(value)) ? OPEN : super.format(value);
  }
}
