import { codesOf, type Trigger } from "../../../core/offers/trigger.ts";
import { makeCodes } from "./make-codes.ts";

/** The codes of a trigger, or one to begin with that nobody can guess: it works as soon as it is there. */
export const keptCodes = (former: Trigger): string[] => {
  const codes = codesOf(former);
  return codes.length > 0 ? [...codes] : makeCodes(1, []);
};
