import { formatMoney } from "../../money/format.ts";
import { phrase } from "../../phrases/phrase.ts";
import type { OptionVariable } from "../variable.ts";

export const saving: OptionVariable = {
  name: "saving",
  words: phrase("what offers take off it"),
  fill: ({ price, fullPrice, currency, locale }) =>
    price === null || fullPrice === null ? "" : formatMoney(fullPrice - price, currency, locale),
};
