import { pickText } from "../messages/locale.ts";
import { SURFACES } from "../messages/states.ts";
import type { TariffNotice } from "../tariff/tariff.ts";
import type { QuotedNotice } from "./answer/quote.ts";
import { localeOf, type QuoteIn } from "./answer/quote-in.ts";
import { inTime } from "./options/price-option.ts";

/** What is told without a goal, surface by surface in the plan's order. What nobody knows yet tells nothing. */
export function noticesOf({ now }: Pick<QuoteIn, "now">): QuotedNotice[] {
  const { market, notices } = now.tariff;
  if (notices.length === 0) return [];
  const told = notices.filter(
    (notice) => inTime(notice, now) && (notice.when === null || notice.when.test(now) === true),
  );
  const read = (texts: Readonly<Record<string, string>>) => pickText(texts, localeOf(now), market.languages)?.text;
  return SURFACES.flatMap((surface) =>
    told
      .filter(({ notice }) => notice.surfaces.includes(surface))
      .flatMap(({ notice: { id, texts, link } }: TariffNotice): QuotedNotice[] => {
        const text = read(texts);
        const linkText = link && read(link.texts);
        if (text === undefined) return [];
        const shown = { surface, notice: id, text };
        return [link && linkText !== undefined ? { ...shown, link: { to: link.to, text: linkText } } : shown];
      }),
  );
}
