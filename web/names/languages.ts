import type { Market } from "../../core/places/market.ts";

/** The languages that shoppers of these markets read, without their regions: kinds of one language share its texts. */
export const languagesRead = (markets: readonly Market[]): string[] => [
  ...new Set(markets.flatMap(({ languages }) => languages.map((tag) => tag.split("-")[0] ?? tag))),
];
