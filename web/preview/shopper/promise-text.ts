import type { QuotedOption } from "../../../core/quote/answer/quote.ts";
import { daysWords, momentWords } from "../../names/moment-words.ts";
import type { SayWord } from "./shop-words.ts";

/** When goods arrive or are ready, as the shopper reads it; null when nothing is promised. @param timeZone the location's */
export function promiseText(
  { promise, available }: QuotedOption,
  locale: string,
  timeZone: string,
  shopSays: SayWord,
): string | null {
  if (!promise || !available) return null;
  const { earliest, latest, readyAt } = promise;
  if (readyAt !== undefined) return shopSays("ready", { when: momentWords(Date.parse(readyAt), timeZone, locale) });
  return shopSays("arrives", { when: daysWords(earliest, latest, locale) });
}
