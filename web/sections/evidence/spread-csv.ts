import { majorIn } from "../../../core/money/decimal.ts";
import type { ToldSpread } from "../../../server/evidence/told-spread.ts";
import { csvOf } from "../../fields/csv-of.ts";
import { say } from "../../language/say.ts";

/** The bars as CSV, figures in the currency's major units. @example spreadCsv(spread, "EUR").split("\r\n")[1] // "0.00,2.00,12" */
export function spreadCsv({ bars }: ToldSpread, currency: string): string {
  const major = (minor: number) => majorIn(minor, currency);
  const head = [say("from, {currency}", { currency }), say("below, {currency}", { currency }), say("orders")];
  return csvOf([head, ...bars.map(({ from, to, orders }) => [major(from), major(to), orders])]);
}
