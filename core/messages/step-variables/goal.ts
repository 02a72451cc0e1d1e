import { goalText } from "../../measures/measure-spec.ts";
import { phrase } from "../../phrases/phrase.ts";
import { asCounted, everywhere, type StepVariable } from "../variable.ts";

export const goal: StepVariable = {
  name: "goal",
  words: phrase("how far the cart has to come"),
  isIn: everywhere,
  kind: asCounted,
  fill: ({ goal: at, measure, currency, locale }) => {
    if (at === null) return "";
    return measure === "items" ? at : goalText(measure, at, currency, locale);
  },
};
