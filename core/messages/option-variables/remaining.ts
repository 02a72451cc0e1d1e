import { measured } from "../../measures/measure-spec.ts";
import { phrase } from "../../phrases/phrase.ts";
import type { OptionVariable } from "../variable.ts";

export const remaining: OptionVariable = {
  name: "remaining",
  words: phrase("what is missing to that goal"),
  fill: ({ remaining: count, measure, currency, locale }) =>
    count === null ? "" : measured(measure, count, currency, locale, "short"),
};
