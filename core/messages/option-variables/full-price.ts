import { formatMoney } from "../../money/format.ts";
import { phrase } from "../../phrases/phrase.ts";
import type { OptionVariable } from "../variable.ts";

export const fullPrice: OptionVariable = {
  name: "fullPrice",
  words: phrase("what it costs before offers"),
  fill: ({ fullPrice: minor, currency, locale }) => (minor === null ? "" : formatMoney(minor, currency, locale)),
};
