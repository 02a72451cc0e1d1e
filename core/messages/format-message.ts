import { IntlMessageFormat } from "intl-messageformat";
import { Kept } from "../phrases/kept.ts";
import { numbersIn } from "./wording.ts";

const MOST_FORMATS = 2000;
const formats = new Kept<{ readonly format: IntlMessageFormat; readonly numbers: readonly string[] }>(MOST_FORMATS);

/**
 * An ICU message with its placeholders filled. Parsed texts are kept, the parser being the slow part.
 *
 * @throws when the text cannot be put into words with such values, which edits and releases are checked for
 */
export function formatMessage(
  message: { text: string; locale: string },
  values: Record<string, string | number>,
): string {
  const known = formats.of(`${message.locale} ${message.text}`, () => {
    const format = new IntlMessageFormat(message.text, message.locale, undefined, { ignoreTag: true });
    return { format, numbers: numbersIn(format.getAst()) };
  });
  for (const name of known.numbers)
    if (typeof values[name] !== "number") throw new RangeError(`{${name}} comes as a text and is taken for a number`);
  return String(known.format.format(values));
}

/** A text that could not be put into words, and was left out. */
export type UnsaidText = { readonly text: string; readonly locale: string; readonly why: string };

/** {@link formatMessage} for answers that must not fail: a text that does is left out, and told. */
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
