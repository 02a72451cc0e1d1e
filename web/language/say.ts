import { type Phrase, type PhraseValue, phrase } from "../../core/phrases/phrase.ts";
import { ENGLISH, type Reader, speak, speakValue } from "../../core/phrases/speak.ts";

let reader: Reader = ENGLISH;

/** From now on the app speaks to this reader; what is on screen has to be drawn anew. */
export function speakTo(next: Reader): void {
  reader = next;
}

/** Who is spoken to: for what takes a locale of its own, such as a picker of days. */
export const theReader = (): Reader => reader;

/**
 * A text in the language of the app: one that core made, or a message written here.
 *
 * @example say("Move step {number} up the ladder", { number: 2 })
 */
export function say(message: Phrase | string, values?: Phrase["values"]): string {
  return speak(typeof message === "string" ? phrase(message, values) : message, reader);
}

/** What stands in a text, by itself: an amount, a day, a list. @example sayValue({ code: "PT", type: "region" }) // "Portugal" */
export const sayValue = (value: PhraseValue): string => speakValue(value, reader);

/** Words for somebody to read: a phrase in the language of the app; a name that somebody gave as it is. */
export type Shown = Phrase | string;
export const shown = (words: Shown): string => (typeof words === "string" ? words : say(words));
