import { phrase } from "../../phrases/phrase.ts";
import { asText, everywhere, type StepVariable } from "../variable.ts";

export const place: StepVariable = {
  name: "place",
  words: phrase("the zone it goes to"),
  isIn: everywhere,
  kind: asText,
  fill: ({ place: name }) => name,
};
