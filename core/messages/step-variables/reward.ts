import { phrase } from "../../phrases/phrase.ts";
import { asText, everywhere, type StepVariable } from "../variable.ts";

export const reward: StepVariable = {
  name: "reward",
  words: phrase("the figure of what is given: an amount, a percent, a gift"),
  isIn: everywhere,
  kind: asText,
  fill: ({ reward: figure }) => figure,
};
