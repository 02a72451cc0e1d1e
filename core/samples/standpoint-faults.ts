import { daysDescribed } from "../facts/shopper-facts.ts";
import { exponentOf } from "../money/currency.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import { isLocale } from "../request/standpoint-problems.ts";
import type { Problem } from "../schema/problem.ts";
import { isDay } from "../time/day.ts";

type Looked = {
  readonly country: string;
  readonly region: string;
  readonly currency: string;
  readonly locale: string;
  readonly moment: string | null;
  readonly shopper: object | null;
};

const LOCAL = /^(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):[0-5]\d$/;

/** What nobody can look from: places, languages, currencies, days that do not exist. A field left open ("") is none of them. */
export function standpointFaults({ country, region, currency, locale, moment, shopper }: Looked): Problem[] {
  const day = moment === null ? null : (LOCAL.exec(moment)?.[1] ?? "");
  return [
    ...(country === "" || /^[A-Z]{2}$/.test(country) ? [] : [fault("country", country, phrase("country code"))]),
    ...(region === "" || /^[A-Z]{2}-[A-Z0-9]{1,3}$/.test(region)
      ? []
      : [fault("region", region, phrase("region code"))]),
    ...(exponentOf(currency) === undefined ? [fault("currency", currency, phrase("active ISO 4217 currency"))] : []),
    ...(isLocale(locale) ? [] : [fault("locale", locale, phrase("language tag"))]),
    ...(day === null || isDay(day) ? [] : [fault("moment", moment ?? "", phrase("moment of the calendar"))]),
    ...daysDescribed(shopper ?? {}).flatMap(({ field, day: text }) =>
      text === null ||
      text === undefined ||
      (typeof text === "string" && /^\d{4}-\d{2}-\d{2}$/.test(text) && isDay(text))
        ? []
        : [fault(`shopper/${field}`, String(text), phrase("day of the calendar"))],
    ),
  ];
}

const fault = (key: string, text: string, what: Phrase): Problem => ({
  path: `/${key}`,
  message: phrase('"{text}" is no {what}', { text, what }),
});
