import { IntlMessageFormat } from "intl-messageformat";
import { Kept } from "./kept.ts";
import type { Phrase, PhraseValue, Written } from "./phrase.ts";

/** Whom a phrase is spoken to. */
export type Reader = {
  /** Of numbers, lists and plurals. */
  readonly locale: string;
  /** Of days and times, where it is another. */
  readonly clock: string;
  /** The reader's message for an English one; English where there is none. */
  readonly messageFor: (message: string) => string | undefined;
};

/** English, with the day before the month: what the command line and the server speak. */
export const ENGLISH: Reader = { locale: "en", clock: "en-GB", messageFor: () => undefined };

/**
 * A phrase in the reader's language.
 *
 * @example speak(phrase("Step {number}", { number: 2 }), ENGLISH) // "Step 2"
 * @throws where a message has a placeholder without a value, which the test of all texts looks for
 */
export function speak({ message, values }: Phrase, reader: Reader): string {
  const own = reader.messageFor(message) ?? message;
  // Most texts of a screen are words alone.
  if (values === undefined && !/[{}']/.test(own)) return own;
  const spoken: Record<string, string | number> = {};
  for (const [name, value] of Object.entries(values ?? {}))
    spoken[name] = typeof value === "number" ? value : speakValue(value, reader);
  return String(formatOf(own, reader.locale).format(spoken));
}

/** A value by itself. @example speakValue({ code: "PT", type: "region" }, ENGLISH) // "Portugal" */
export function speakValue(value: PhraseValue, reader: Reader): string {
  if (typeof value === "string") return value;
  if (typeof value === "number") return String(value);
  return "message" in value ? speak(value, reader) : write(value, reader);
}

/** A phrase in English. */
export const english = (text: Phrase): string => speak(text, ENGLISH);

function write(written: Written, reader: Reader): string {
  if ("list" in written) {
    const { type } = written;
    const format = lists.of(`${reader.locale} ${type}`, () => new Intl.ListFormat(reader.locale, { type }));
    return format.format(written.list.map((part) => speakValue(part, reader)));
  }
  if ("code" in written) {
    const { type, code } = written;
    const known = names.of(`${reader.locale} ${type}`, () => new Intl.DisplayNames([reader.locale], { type }));
    return known.of(code) ?? code;
  }
  const { options } = written;
  const key = JSON.stringify(options);
  if ("number" in written)
    return numbers
      .of(`${reader.locale} ${key}`, () => new Intl.NumberFormat(reader.locale, options))
      .format(written.number);
  const { moment } = written;
  if (typeof moment === "number")
    return moments.of(`${reader.clock} ${key}`, () => new Intl.DateTimeFormat(reader.clock, options)).format(moment);
  // A day is a day: no clock moves it.
  const asDay = () => new Intl.DateTimeFormat(reader.clock, { ...options, timeZone: "UTC" });
  return moments.of(`day ${reader.clock} ${key}`, asDay).format(new Date(`${moment}T00:00:00Z`));
}

/** Making a format costs a hundred times what using it does. */
const MOST_FORMATS = 2000;
const messages = new Kept<IntlMessageFormat>(MOST_FORMATS);
const lists = new Kept<Intl.ListFormat>(MOST_FORMATS);
const names = new Kept<Intl.DisplayNames>(MOST_FORMATS);
const numbers = new Kept<Intl.NumberFormat>(MOST_FORMATS);
const moments = new Kept<Intl.DateTimeFormat>(MOST_FORMATS);

const formatOf = (message: string, locale: string): IntlMessageFormat =>
  messages.of(`${locale} ${message}`, () => new IntlMessageFormat(message, locale, undefined, { ignoreTag: true }));
