import type { Amount } from "../money/amount.ts";
import { isNothing } from "../money/decimal.ts";
import { phrase } from "../phrases/phrase.ts";
import { type Problem, pointer } from "../schema/problem.ts";

/** A percent of nothing. @example nothingInPercent("0.0") // [{ path: "/percent", … }] */
export const nothingInPercent = (percent: string): Problem[] =>
  isNothing(percent) ? [{ path: "/percent", message: phrase("gives nothing: more than 0 percent") }] : [];

/** Every amount typed that is nothing. */
export const nothingInAmount = ({ byCurrency = {}, byMarket = {}, byZone = {} }: Amount): Problem[] => [
  ...nothingIn(byCurrency, "/amount/byCurrency"),
  ...Object.entries(byMarket).flatMap(([market, typed]) => nothingIn(typed, `/amount/byMarket${pointer(market)}`)),
  ...Object.entries(byZone).flatMap(([zone, typed]) => nothingIn(typed, `/amount/byZone${pointer(zone)}`)),
];

const nothingIn = (typed: Readonly<Record<string, string>>, path: string): Problem[] =>
  Object.entries(typed).flatMap(([currency, text]) =>
    isNothing(text) ? [{ path: `${path}${pointer(currency)}`, message: phrase("gives nothing: more than 0") }] : [],
  );

/** A percent of more than all there is. */
export const tooManyPercent = (percent: string, path: string): Problem[] =>
  Number(percent) > 100 ? [{ path: `${path}/percent`, message: phrase("no more than 100 percent") }] : [];
