import { codesOf, type Trigger } from "../../../core/offers/trigger.ts";
import { code } from "../../../core/offers/triggers/code.ts";

/** The codes of a trigger, or one to begin with. */
export const keptCodes = (former: Trigger): string[] => {
  const codes = codesOf(former);
  return codes.length > 0 ? [...codes] : code.example.codes;
};
