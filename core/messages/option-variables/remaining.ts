import { measured } from "../../measures/measure-spec.ts";
import type { OptionVariable } from "../variable.ts";

export const remaining: OptionVariable = {
  name: "remaining",
  words: "what is missing to that goal",
  fill: ({ remaining: count, measure, currency, locale }) =>
    count === null ? "" : measured(measure, count, currency, locale, "short"),
};
