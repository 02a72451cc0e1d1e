import type { StepVariable } from "../variable.ts";

export const percent: StepVariable = {
  name: "percent",
  words: "how far the cart has come, in percent of the goal",
  isIn: (state) => state === "on-the-way" || state === "nearly-there" || state === "between",
  kind: () => "number",
  fill: ({ percent: figure }) => figure,
};
