import { goalText } from "../../measures/measure-spec.ts";
import type { OptionVariable } from "../variable.ts";

export const goal: OptionVariable = {
  name: "goal",
  words: "the next goal that would make it cheaper",
  fill: ({ goal: at, measure, currency, locale }) => (at === null ? "" : goalText(measure, at, currency, locale)),
};
