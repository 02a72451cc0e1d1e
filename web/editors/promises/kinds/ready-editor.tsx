import { NumberField } from "../../../fields/number-field.tsx";
import type { PromiseKindEditor } from "../promise-kind-editor.ts";

/** Ready for collection after so much time in which the location is open. */
export const ready: PromiseKindEditor<"ready"> = {
  words: "Ready after opening hours",
  first: (_, location) => ({ kind: "ready", at: location.id, lead: 120 }),
  lead: "at",
  place: ({ at }) => at,
  at: (promise, location) => ({ ...promise, at: location }),
  Fields: ({ promise, onPromise }) => (
    <div className="flex items-center gap-2">
      after
      <NumberField
        label=""
        ariaLabel="Lead time in minutes"
        className="w-20"
        value={promise.lead}
        leaf="option/promise/ready/lead"
        onCommit={(lead) => onPromise({ ...promise, lead })}
      />
      minutes of opening hours
    </div>
  ),
};
