import type { ReadCart } from "../../cart/read-cart.ts";
import type { Evaluation, Terms } from "../../evaluate/evaluation.ts";
import type { UnsaidText } from "../../messages/format-message.ts";
import type { QuoteForm } from "./quote.ts";
import type { Totals } from "./totals.ts";

/** This quote in one tariff: what every stage of it looks at. */
export type QuoteIn = {
  readonly now: Evaluation;
  readonly cart: ReadCart;
  readonly totals: Totals;
  readonly form: QuoteForm;
  /** Texts that could not be put into words are added to it, for whoever runs the shop to be told. */
  readonly unsaid: UnsaidText[];
};

/** The language a shopper reads: the request's, else the market's first. */
export const localeOf = ({ tariff, facts }: Pick<Terms, "tariff" | "facts">): string =>
  facts.locale ?? tariff.market.languages[0] ?? "en";
