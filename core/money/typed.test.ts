import { describe, expect, it } from "vitest";
import { typedAmount } from "./typed.ts";

describe("amounts as people type them into a field", () => {
  it.each([
    ["45", "EUR", 4500],
    ["45.5", "EUR", 4550],
    ["45,50 €", "EUR", 4550],
    ["EUR 45.00", "EUR", 4500],
    ["¥ 9500", "JPY", 9500],
    ["20.250", "KWD", 20250],
    ["20,25", "KWD", 20250],
    ["0", "EUR", 0],
  ] as const)("%s in %s is %i minor units", (text, currency, minor) => {
    expect(typedAmount(text, currency)).toEqual({ minor });
  });

  // A grouped thousand and a decimal fraction look the same; none of these may be guessed.
  it.each([
    ["1,000", "EUR"],
    ["1.000", "EUR"],
    ["1,000", "KWD"],
    ["1,000.00", "EUR"],
    ["95.5", "JPY"],
    ["-5", "EUR"],
    ["forty", "EUR"],
    ["", "EUR"],
    ["1e3", "EUR"],
    ["45 USD", "EUR"],
  ] as const)("%s in %s is refused with words", (text, currency) => {
    expect(typedAmount(text, currency)).toHaveProperty("problem");
  });
});
