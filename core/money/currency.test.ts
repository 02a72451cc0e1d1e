import currencyCodesPackage from "currency-codes";
import { describe, expect, it } from "vitest";
import { currencyCodes, exponentOf } from "./currency.ts";

// Source: ISO 4217 list one, as carried by the currency-codes package. Codes starting with X that are not used by a
// country (metals, test codes, units of account) have no minor unit ("N.A." in the standard) and hold no money.
const USED_X_CODES = new Set(["XAF", "XCD", "XCG", "XOF", "XPF"]);
const standard = currencyCodesPackage.data.filter((c) => !c.code.startsWith("X") || USED_X_CODES.has(c.code));

describe("exponents of ISO 4217", () => {
  it("agree with list one for every active currency, and name no other", () => {
    const ours = Object.fromEntries(currencyCodes().map((code) => [code, exponentOf(code)]));
    expect(ours).toEqual(Object.fromEntries(standard.map((c) => [c.code, c.digits])));
  });

  it("differ from the formatter's digits exactly in the listed exceptions, where ISO wins", () => {
    const formatterDigits = (code: string) =>
      new Intl.NumberFormat("en", { style: "currency", currency: code }).resolvedOptions().maximumFractionDigits;
    const differing = currencyCodes().filter((code) => formatterDigits(code) !== exponentOf(code));
    // CLDR shows these without decimals because their coins are out of use.
    expect(differing).toEqual("AFN ALL COP HUF IDR IQD IRR KPW LAK LBP MGA MMK PKR SOS SYP YER".split(" "));
  });
});
