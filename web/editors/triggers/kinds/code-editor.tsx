import { phrase } from "../../../../core/phrases/phrase.ts";
import { CodesField } from "../codes-field.tsx";
import { keptCodes } from "../kept-codes.ts";
import type { TriggerKindEditor } from "../trigger-kind-editor.ts";

/** Earned by entering a code. */
export const code: TriggerKindEditor<"code"> = {
  words: phrase("a code"),
  instead: (former) => ({ kind: "code", codes: keptCodes(former) }),
  Fields: ({ trigger, onTrigger }) => (
    <CodesField codes={trigger.codes} onCodes={(codes) => onTrigger({ ...trigger, codes })} />
  ),
};
