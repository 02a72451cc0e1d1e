import { measured } from "../../measures/measure-spec.ts";
import { phrase } from "../../phrases/phrase.ts";
import type { MessageState } from "../states.ts";
import { asCounted, type StepVariable } from "../variable.ts";

/** While nothing is in the cart, or a code, a place or signing in is missing, no figure is told. */
const COUNTED: ReadonlySet<MessageState> = new Set([
  "on-the-way",
  "nearly-there",
  "between",
  "reached",
  "top",
  "covered",
  "blocked",
]);

export const counted: StepVariable = {
  name: "counted",
  words: phrase("how far the cart has come"),
  isIn: (state) => COUNTED.has(state),
  kind: asCounted,
  fill: ({ counted: count, measure, currency, locale }) => {
    if (count === null) return "";
    return measure === "items" ? count : measured(measure, count, currency, locale);
  },
};
