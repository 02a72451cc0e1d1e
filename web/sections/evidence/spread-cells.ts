import { majorIn } from "../../../core/money/decimal.ts";
import type { ToldSpread } from "../../../server/evidence/told-spread.ts";
import { say } from "../../language/say.ts";

/** The bars as cells of a file, figures in the currency's major units. @example spreadCells(spread, "EUR")[1] // ["0.00", "2.00", 12] */
export function spreadCells({ bars }: ToldSpread, currency: string): (string | number)[][] {
  const major = (minor: number) => majorIn(minor, currency);
  const head = [say("from, {currency}", { currency }), say("below, {currency}", { currency }), say("orders")];
  return [head, ...bars.map(({ from, to, orders }) => [major(from), major(to), orders])];
}
