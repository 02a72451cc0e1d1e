import type { QuotedOption } from "../../../core/quote/answer/quote.ts";
import { shopWord } from "./shop-words.ts";

/** When goods arrive or are ready, as the shopper reads it; null when nothing is promised. @param timeZone the location's */
export function promiseText({ promise, available }: QuotedOption, locale: string, timeZone: string): string | null {
  if (!promise || !available) return null;
  const { earliest, latest, readyAt } = promise;
  if (readyAt !== undefined) {
    const format = new Intl.DateTimeFormat(locale, {
      weekday: "short",
      day: "numeric",
      month: "short",
      hour: "2-digit",
      minute: "2-digit",
      timeZone,
    });
    return shopWord("ready", locale, { when: format.format(new Date(readyAt)) });
  }
  // Days are days: no clock moves them.
  const format = new Intl.DateTimeFormat(locale, { weekday: "short", day: "numeric", month: "short", timeZone: "UTC" });
  const [first, last] = [new Date(`${earliest}T00:00:00Z`), new Date(`${latest}T00:00:00Z`)];
  const when = earliest === latest ? format.format(first) : format.formatRange(first, last);
  return shopWord("arrives", locale, { when });
}
