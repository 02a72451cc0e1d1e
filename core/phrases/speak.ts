import { type IcuMessage, icuMessage } from "./icu-message.ts";
import { displayNames, listFormat, momentFormat, numberFormat } from "./intl-formats.ts";
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
export function speak({ message: english, values }: Phrase, reader: Reader): string {
  const own = reader.messageFor(english) ?? english;
  // Most texts of a screen are words alone.
  if (values === undefined && !/[{}']/.test(own)) return own;
  const message = messages.of(`${reader.locale} ${own}`, () => icuMessage(own, reader.locale));
  return message.say((name) => {
    const value = values?.[name];
    return value === undefined || typeof value === "number" ? value : speakValue(value, reader);
  });
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
    const parts = written.list.map((part) => speakValue(part, reader));
    return listFormat(reader.locale, written.type).format(parts);
  }
  if ("code" in written) return displayNames(reader.locale, written.type).of(written.code) ?? written.code;
  if ("number" in written) return numberFormat(reader.locale, written.options).format(written.number);
  const { moment, options } = written;
  if (typeof moment === "number") return momentFormat(reader.clock, options).format(moment);
  // A day is a day: no clock moves it.
  return momentFormat(reader.clock, { ...options, timeZone: "UTC" }).format(new Date(`${moment}T00:00:00Z`));
}

const messages = new Kept<IcuMessage>(2000);
