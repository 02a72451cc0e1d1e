import { phrase } from "../../phrases/phrase.ts";
import type { OptionVariable } from "../variable.ts";

export const lowered: OptionVariable = {
  name: "lowered",
  words: phrase("yes when an offer has made it cheaper"),
  fill: ({ price, fullPrice }) => (price !== null && fullPrice !== null && price < fullPrice ? "yes" : "other"),
};
