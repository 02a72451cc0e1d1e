import { asText, everywhere, type StepVariable } from "../variable.ts";

export const goods: StepVariable = {
  name: "goods",
  words: "the goods that count, where only some do",
  isIn: everywhere,
  kind: asText,
  fill: ({ goods: name }) => name,
};
