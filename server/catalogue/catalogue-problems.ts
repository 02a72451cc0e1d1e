import { exponentOf } from "../../core/money/currency.ts";
import { minorUnits } from "../../core/money/decimal.ts";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { MinorUnits } from "../../core/schema/atoms.ts";
import { type Problem, pointer } from "../../core/schema/problem.ts";
import type { Product } from "./product.ts";

/** Digits of a measure that are kept. */
const MOST_DIGITS = 24;

/**
 * What the form of products does not tell: amounts that are none in their currency, or that no cart could hold, measures of more digits
 * than are kept, and products that are there twice. Paths lead into the list.
 *
 * @example catalogueProblems([{ sku: "ink", name: "Ink", prices: { JPY: "1.5" } }]) // one: /0/prices/JPY
 */
export function catalogueProblems(products: readonly Product[]): Problem[] {
  const first = new Map<string, number>();
  return products.flatMap(({ sku, prices, delivery, weight, size }, i) => {
    const at = (...path: string[]) => pointer(i, ...path);
    const twice = first.has(sku);
    if (!twice) first.set(sku, i);
    const measures = [
      ...(weight ? [{ path: at("weight", "value"), figure: weight.value }] : []),
      ...(size
        ? (["length", "width", "height"] as const).map((side) => ({ path: at("size", side), figure: size[side] }))
        : []),
    ];
    return [
      ...(twice ? [{ path: at("sku"), message: phrase("is there twice") }] : []),
      ...amountProblems(prices, (currency) => at("prices", currency)),
      ...(delivery?.kind === "own-charge"
        ? amountProblems(delivery.amounts, (currency) => at("delivery", "amounts", currency))
        : []),
      ...measures
        .filter(({ figure }) => figure.length > MOST_DIGITS)
        .map(({ path }) => ({ path, message: phrase("has more digits than are kept") })),
    ];
  });
}

const amountProblems = (amounts: Readonly<Record<string, string>>, pathOf: (currency: string) => string): Problem[] =>
  Object.entries(amounts).flatMap(([currency, text]) => {
    const message = amountProblem(text, currency);
    return message ? [{ path: pathOf(currency), message }] : [];
  });

/** Why a text is no amount that a product can have; undefined where it is one. */
export function amountProblem(text: string, currency: string): Phrase | undefined {
  const exponent = exponentOf(currency);
  if (exponent === undefined) return phrase("{currency} is not an active ISO 4217 currency", { currency });
  const read = minorUnits(text, exponent);
  if ("minor" in read && read.minor >= 0 && read.minor <= (MinorUnits.maximum ?? 0)) return undefined;
  return phrase('"{text}" is no amount in {currency}', { text, currency });
}
