import { measured } from "../../measures/measure-spec.ts";
import { phrase } from "../../phrases/phrase.ts";
import type { MessageState } from "../states.ts";
import { asCounted, type StepVariable } from "../variable.ts";

/** Once a goal is reached nothing remains, so nothing can mention it. */
const AHEAD: ReadonlySet<MessageState> = new Set(["empty", "on-the-way", "nearly-there", "between"]);

export const remaining: StepVariable = {
  name: "remaining",
  words: phrase("what is missing"),
  isIn: (state) => AHEAD.has(state),
  kind: asCounted,
  fill: ({ remaining: count, measure, currency, locale }) => {
    if (count === null) return "";
    return measure === "items" ? count : measured(measure, count, currency, locale);
  },
};
