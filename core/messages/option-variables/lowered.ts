import type { OptionVariable } from "../variable.ts";

export const lowered: OptionVariable = {
  name: "lowered",
  words: "yes when an offer has made it cheaper",
  fill: ({ price, fullPrice }) => (price !== null && fullPrice !== null && price < fullPrice ? "yes" : "other"),
};
