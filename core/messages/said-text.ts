import type { IcuMessage } from "../phrases/icu-message.ts";
import { fillable } from "./format-message.ts";
import { pickText } from "./locale.ts";

/** The text for a shopper's language, and how it is filled; as it stands where it mentions nothing. */
export type SaidText = {
  readonly locale: string;
  readonly text: string;
  readonly filled: (values: Parameters<IcuMessage["say"]>[0]) => string;
};

type Texts = Readonly<Record<string, string>>;

/** By texts, the languages that stand in for the shopper's, and the shopper's: a plan's texts stay the same objects. */
const known = new WeakMap<Texts, WeakMap<readonly string[], Map<string, SaidText | null>>>();

/** Any locale may be asked for, so that not all are kept. */
const MOST_LOCALES = 100;

/**
 * {@link pickText}, once for a language, made ready to be said when it is first said.
 *
 * @throws `filled` does, when the text cannot be put into words with such values
 */
export function saidText(texts: Texts, locale: string, fallbacks: readonly string[]): SaidText | undefined {
  const ofTexts = known.get(texts) ?? new WeakMap();
  known.set(texts, ofTexts);
  const byLocale: Map<string, SaidText | null> = ofTexts.get(fallbacks) ?? new Map();
  ofTexts.set(fallbacks, byLocale);
  const before = byLocale.get(locale);
  if (before !== undefined) return before ?? undefined;
  const picked = pickText(texts, locale, fallbacks);
  const found = picked ? { ...picked, filled: fillerOf(picked) } : null;
  if (byLocale.size >= MOST_LOCALES) byLocale.clear();
  byLocale.set(locale, found);
  return found ?? undefined;
}

function fillerOf({ text, locale }: { text: string; locale: string }): SaidText["filled"] {
  let ready: SaidText["filled"] | undefined;
  return (values) => {
    ready ??= fillable(text, locale);
    return ready(values);
  };
}
