import { formatMoney } from "../../money/format.ts";
import { phrase } from "../../phrases/phrase.ts";
import type { OptionVariable } from "../variable.ts";

export const price: OptionVariable = {
  name: "price",
  words: phrase("what is charged"),
  fill: ({ price: minor, currency, locale }) => (minor === null ? "" : formatMoney(minor, currency, locale)),
};
