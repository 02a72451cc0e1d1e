import { asText, everywhere, type StepVariable } from "../variable.ts";

export const place: StepVariable = {
  name: "place",
  words: "the zone it goes to",
  isIn: everywhere,
  kind: asText,
  fill: ({ place: name }) => name,
};
