import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { exponentOf } from "./currency.ts";
import { isNumeral, majorUnits } from "./decimal.ts";
import { figureReader } from "./figures-in-text.ts";

const CURRENCIES = ["EUR", "GBP", "USD", "CAD", "JPY", "KWD", "CHF", "BRL", "PLN", "SEK"];
const LANGUAGES = [
  "en",
  "en-CA",
  "pt-PT",
  "fr",
  "fr-CH",
  "es",
  "de",
  "de-CH",
  "it",
  "nl",
  "ja",
  "ar",
  "ar-EG",
  "pl",
  "sv",
];

const figuresInText = figureReader(CURRENCIES, LANGUAGES);

describe("figureReader", () => {
  // The reference is CLDR's way of writing money, through Intl.NumberFormat.
  it("reads whatever CLDR writes for money, in fifteen languages and ten currencies", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CURRENCIES),
        fc.constantFrom(...LANGUAGES),
        fc.constantFrom(...(["symbol", "narrowSymbol", "code", "name"] as const)),
        fc.boolean(),
        fc.integer({ min: 1, max: 99_999_999 }),
        (currency, locale, currencyDisplay, useGrouping, minor) => {
          const exponent = exponentOf(currency) ?? 2;
          const numeral = majorUnits(minor, exponent);
          if (!isNumeral(numeral)) throw new Error(numeral);
          const style = { style: "currency", currency, currencyDisplay, useGrouping } as const;
          const digits = { minimumFractionDigits: exponent, maximumFractionDigits: exponent };
          const text = new Intl.NumberFormat(locale, { ...style, ...digits }).format(numeral);
          const [figure, ...others] = figuresInText(`(2) ${text} — 7`);
          expect([text, figure?.means, others]).toEqual([text, expect.arrayContaining([{ currency, minor }]), []]);
        },
      ),
      { numRuns: 3000 },
    );
  });

  it.each([
    ["EUR 35", "EUR", 3500],
    ["35€", "EUR", 3500],
    ["€ 35,-", "EUR", 3500],
    ["35 euros", "EUR", 3500],
    ["1.299 €", "EUR", 129_900],
    ["1 299,00 €", "EUR", 129_900],
    ["from 30 eur on", "EUR", 3000],
    ["£12.50", "GBP", 1250],
    ["￥4,500", "JPY", 4500],
    ["٣٥٫٥٠٠ د.ك.", "KWD", 35_500],
  ])("reads %s", (text, currency, minor) => {
    expect(figuresInText(text).flatMap(({ means }) => means)).toContainEqual({ currency, minor });
  });

  it.each([
    ["35 € 40 $", ["35 €", "40 $"]],
    ["from US$35 to US$ 1,299.00.", ["US$35", "US$ 1,299.00"]],
    ["12.50£5", ["12.50£"]],
    ["usd 3.50, no usdx 4.50", ["usd 3.50"]],
    [`${" ".repeat(5000)}35${" ".repeat(5000)}€`, [`35${" ".repeat(5000)}€`]],
  ])("finds each figure of %j with the currency beside it", (text, shown) => {
    expect(figuresInText(text).map((figure) => figure.shown)).toEqual(shown);
  });

  it.each(["2 parcels", "by 15:00", "{goal} to go", "Euro pallet 12", "in 3 to 5 days", "eurostar 35"])(
    "finds no money in %s",
    (text) => {
      expect(figuresInText(text).map(({ shown }) => shown)).toEqual([]);
    },
  );
});
