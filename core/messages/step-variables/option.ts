import { phrase } from "../../phrases/phrase.ts";
import { asText, everywhere, type StepVariable } from "../variable.ts";

export const option: StepVariable = {
  name: "option",
  words: phrase("the delivery option it is given on"),
  isIn: everywhere,
  kind: asText,
  fill: ({ option: name }) => name,
};
