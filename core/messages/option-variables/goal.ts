import { goalText } from "../../measures/measure-spec.ts";
import { phrase } from "../../phrases/phrase.ts";
import type { OptionVariable } from "../variable.ts";

export const goal: OptionVariable = {
  name: "goal",
  words: phrase("the next goal that would make it cheaper"),
  fill: ({ goal: at, measure, currency, locale }) => (at === null ? "" : goalText(measure, at, currency, locale)),
};
