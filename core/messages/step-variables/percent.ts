import { phrase } from "../../phrases/phrase.ts";
import type { StepVariable } from "../variable.ts";

export const percent: StepVariable = {
  name: "percent",
  words: phrase("how far the cart has come, in percent of the goal"),
  isIn: (state) => state === "on-the-way" || state === "nearly-there" || state === "between",
  kind: () => "number",
  fill: ({ percent: figure }) => figure,
};
