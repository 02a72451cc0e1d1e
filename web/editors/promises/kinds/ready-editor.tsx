import { phrase } from "../../../../core/phrases/phrase.ts";
import { NumberField } from "../../../fields/number-field.tsx";
import { say } from "../../../language/say.ts";
import type { PromiseKindEditor } from "../promise-kind-editor.ts";

/** Ready for collection after so much time in which the location is open. */
export const ready: PromiseKindEditor<"ready"> = {
  words: phrase("Ready after opening hours"),
  first: (_, location) => ({ kind: "ready", at: location.id, lead: 120 }),
  lead: "at",
  place: ({ at }) => at,
  at: (promise, location) => ({ ...promise, at: location }),
  Fields: ({ promise, onPromise }) => (
    <div className="flex items-center gap-2">
      {say("after")}
      <NumberField
        label=""
        ariaLabel={say("Lead time in minutes")}
        className="w-20"
        value={promise.lead}
        leaf="option/promise/ready/lead"
        onCommit={(lead) => onPromise({ ...promise, lead })}
      />
      {say("minutes of opening hours")}
    </div>
  ),
};
