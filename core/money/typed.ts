import { type Phrase, phrase } from "../phrases/phrase.ts";
import { exponentOf } from "./currency.ts";
import { minorUnits } from "./decimal.ts";

/**
 * Reads an amount as a person types it, with or without the currency's sign or code, with a point or a comma for
 * decimals. Digits are never grouped: "1,000" would be a thousand to one reader and one to another.
 *
 * @example typedAmount("45,50 €", "EUR") // { minor: 4550 }
 * @example typedAmount("1,000", "EUR") // { problem: "EUR has 2 decimals; write a thousand as 1000" }
 */
export function typedAmount(text: string, currency: string): { minor: number } | { problem: Phrase } {
  const exponent = exponentOf(currency) ?? 2;
  const bare = text.replaceAll(/[\p{Sc}\p{Zs}\t]/gu, "").replace(new RegExp(`^${currency}|${currency}$`, "i"), "");
  if (bare === "") return { problem: phrase("Type an amount") };
  if (bare.startsWith("-")) return { problem: phrase("An amount cannot be negative") };
  // With three decimals "1,000" would be one to one reader and a thousand to another.
  if (exponent === 3 && /^\d+,\d{3}$/.test(bare)) {
    return {
      problem: phrase("Write {small} or {large}", { small: bare.replace(",", "."), large: bare.replace(",", "") }),
    };
  }
  const read = minorUnits(bare.replace(",", "."), exponent);
  if ("minor" in read) return read;
  switch (read.problem) {
    case "not-a-decimal":
      return {
        problem: phrase('"{text}" is not an amount; write it like {example}', {
          text: text.trim(),
          example: exponent === 0 ? "4500" : `45.${"0".repeat(exponent)}`,
        }),
      };
    case "too-many-decimals":
      return {
        problem: phrase("{currency} has {exponent, plural, =0 {no} other {#}} decimals; write a thousand as 1000", {
          currency,
          exponent,
        }),
      };
    case "too-large":
      return { problem: phrase("That is more than can be counted") };
  }
}
