import { momentFormat } from "../../phrases/intl-formats.ts";
import { phrase } from "../../phrases/phrase.ts";
import { asText, everywhere, type StepVariable } from "../variable.ts";

export const deadline: StepVariable = {
  name: "deadline",
  words: phrase("when the offer ends"),
  isIn: everywhere,
  kind: asText,
  fill: ({ deadline: end, locale, timeZone }) => {
    if (end === null) return "";
    const format = momentFormat(locale, { dateStyle: "medium", timeStyle: "short", timeZone });
    // An end is the first moment that is too late; the last minute before it is what shoppers are told.
    return format.format(end - 60_000);
  },
};
