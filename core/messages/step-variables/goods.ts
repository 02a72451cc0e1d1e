import { phrase } from "../../phrases/phrase.ts";
import { asText, everywhere, type StepVariable } from "../variable.ts";

export const goods: StepVariable = {
  name: "goods",
  words: phrase("the goods that count, where only some do"),
  isIn: everywhere,
  kind: asText,
  fill: ({ goods: name }) => name,
};
