import { hasNoPrice, sumOf } from "../../delivery/full-price.ts";
import type { DeliveryOption } from "../../delivery/option.ts";
import type { PricedOption } from "../../evaluate/evaluation.ts";
import { goalText, measured } from "../../measures/measure-spec.ts";
import { formatOrTell, formatValues, type UnsaidText } from "../../messages/format-message.ts";
import { pickText } from "../../messages/locale.ts";
import { formatMoney } from "../../money/format.ts";
import { rounded } from "../../money/linear-amount.ts";
import type { QuoteRequest } from "../../request/request.ts";
import type { Tariff } from "../../tariff/tariff.ts";
import type { StepProgress } from "../quote.ts";
import { isAnnounced, localeOf } from "./step-messages.ts";

/**
 * Name and note as the shopper reads them. They may mention the price, what was saved, and the next goal that would
 * better this very option, so that nobody has to keep a second option to advertise an offer.
 */
export function optionTexts(
  tariff: Tariff,
  option: DeliveryOption,
  outcome: PricedOption,
  progress: readonly StepProgress[],
  request: QuoteRequest,
  unsaid: UnsaidText[],
): { name: string; note?: string } {
  const locale = localeOf(request, tariff);
  const { languages } = tariff.market;
  const textOf = (texts: Readonly<Record<string, string>>): string | undefined => {
    const picked = pickText(texts, locale, languages);
    if (!picked?.text.includes("{")) return picked?.text;
    const say = () => formatValues(picked, valuesOf(tariff, option.id, outcome, progress, picked.locale));
    return formatOrTell(picked, say, unsaid);
  };
  const note = option.note && textOf(option.note);
  return { name: textOf(option.name) ?? option.id, ...(note === undefined ? {} : { note }) };
}

function valuesOf(
  tariff: Tariff,
  id: string,
  { full, price }: PricedOption,
  progress: readonly StepProgress[],
  locale: string,
): Record<string, string | number> {
  const { currency } = tariff;
  const money = (minor: number) => formatMoney(minor, currency, locale);
  const number = tariff.options.find((one) => one.id === id)?.number;
  const next = progress.find(
    (entry) =>
      entry.said !== null &&
      number !== undefined &&
      entry.step.options.includes(number) &&
      isAnnounced(entry, progress),
  );
  const kind = next?.offer.offer.counts.kind ?? "value";
  const goal = next?.step.goal?.at;
  const ahead = {
    goal: goal === undefined ? "" : goalText(kind, goal, currency, locale),
    remaining: typeof next?.said === "number" ? measured(kind, next.said, currency, locale, "short") : "",
  };
  if (hasNoPrice(full) || typeof price === "string")
    return { price: "", fullPrice: "", saving: "", lowered: "other", ...ahead };
  const [now, before] = [rounded(price), rounded(sumOf(full))];
  return {
    price: money(now),
    fullPrice: money(before),
    saving: money(before - now),
    lowered: now < before ? "yes" : "other",
    ...ahead,
  };
}
