import { type IcuMessage, icuMessage, type Values } from "../phrases/icu-message.ts";
import { numberFormat } from "../phrases/intl-formats.ts";
import { Kept } from "../phrases/kept.ts";
import { numbersIn } from "./wording.ts";

/** By language, then by text: each is looked up as it is. */
const ready = new Kept<Kept<IcuMessage["say"]>>(100);
const ofLanguage = () => new Kept<IcuMessage["say"]>(2000);

/**
 * An ICU message with its placeholders filled. Texts are made into functions once, and only what they mention is asked for.
 *
 * @throws when the text cannot be put into words with such values, which edits and releases are checked for
 * @example formatMessage({ text: "Add {remaining} more", locale: "en" }, () => "€6.40") // "Add €6.40 more"
 */
export const formatMessage = ({ text, locale }: { text: string; locale: string }, values: Values): string =>
  ready.of(locale, ofLanguage).of(text, () => fillable(text, locale))(values);

/** A text ready to be filled. */
function fillable(text: string, locale: string): IcuMessage["say"] {
  const { say, elements } = icuMessage(text, locale);
  const numbers = numbersIn(elements);
  return (values) => {
    for (const name of numbers)
      if (typeof values(name) !== "number") throw new RangeError(`{${name}} comes as a text and is taken for a number`);
    return say(values);
  };
}

/** A text that could not be put into words, and was left out. */
export type UnsaidText = { readonly text: string; readonly locale: string; readonly why: string };

/** {@link formatMessage} for answers that must not fail: a text that does is left out, and told. */
export function formatOrTell(
  message: { text: string; locale: string },
  said: () => string,
  unsaid: UnsaidText[],
): string | undefined {
  try {
    return said();
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
  const write = (value: number) => (Number.isNaN(value) ? OPEN : numberFormat(message.locale).format(value));
  try {
    return icuMessage(message.text, message.locale, write).say((name) => values[name]);
  } catch {
    return undefined;
  }
}
