import { phrase } from "../../../../core/phrases/phrase.ts";
import type { TriggerKindEditor } from "../trigger-kind-editor.ts";

/** Whoever the offer is for has earned it. */
export const nothing: TriggerKindEditor<"nothing"> = {
  words: phrase("nothing at all"),
  instead: () => ({ kind: "nothing" }),
};
