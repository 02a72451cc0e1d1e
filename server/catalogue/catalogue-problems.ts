import { exponentOf } from "../../core/money/currency.ts";
import { minorUnits } from "../../core/money/decimal.ts";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { MinorUnits } from "../../core/schema/atoms.ts";
import type { Problem } from "../../core/schema/problem.ts";
import type { Product } from "./product.ts";

/** Digits of a measure that are kept. */
const MOST_DIGITS = 24;

/**
 * What the form of a product does not tell: amounts that are none in their currency, or that no cart could hold, and measures of more
 * digits than are kept. Paths lead into the product.
 *
 * @example productProblems({ sku: "ink", name: "Ink", prices: { JPY: "1.5" } }) // one: /prices/JPY
 */
export function productProblems({ prices, delivery, weight, size }: Product): Problem[] {
  const measures = [
    ...(weight ? [{ path: "/weight/value", figure: weight.value }] : []),
    ...(size
      ? (["length", "width", "height"] as const).map((side) => ({ path: `/size/${side}`, figure: size[side] }))
      : []),
  ];
  return [
    ...amountProblems(prices, "/prices"),
    ...(delivery?.kind === "own-charge" ? amountProblems(delivery.amounts, "/delivery/amounts") : []),
    ...measures
      .filter(({ figure }) => figure.length > MOST_DIGITS)
      .map(({ path }) => ({ path, message: phrase("has more digits than are kept") })),
  ];
}

/** The same of several, and which of them are there twice. Paths lead into the list. */
export function catalogueProblems(products: readonly Product[]): Problem[] {
  const seen = new Set<string>();
  return products.flatMap((product, i) => {
    const twice = seen.has(product.sku);
    seen.add(product.sku);
    return [
      ...(twice ? [{ path: `/${i}/sku`, message: phrase("is there twice") }] : []),
      ...productProblems(product).map(({ path, message }) => ({ path: `/${i}${path}`, message })),
    ];
  });
}

const amountProblems = (amounts: Readonly<Record<string, string>>, at: string): Problem[] =>
  Object.entries(amounts).flatMap(([currency, text]) => {
    const message = amountProblem(text, currency);
    return message ? [{ path: `${at}/${currency}`, message }] : [];
  });

/** Why a text is no amount that a product can have; undefined where it is one. */
export function amountProblem(text: string, currency: string): Phrase | undefined {
  const exponent = exponentOf(currency);
  if (exponent === undefined) return phrase("{currency} is not an active ISO 4217 currency", { currency });
  const read = minorUnits(text, exponent);
  if ("minor" in read && read.minor >= 0 && read.minor <= (MinorUnits.maximum ?? 0)) return undefined;
  return phrase('"{text}" is no amount in {currency}', { text, currency });
}
