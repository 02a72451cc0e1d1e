import { TextField } from "../../../fields/text-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** From one time of the day until another. */
export function HoursFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"hours">>) {
  return (
    <>
      {(["from", "until"] as const).map((side) => (
        <TextField
          key={side}
          label={side === "from" ? say("From") : say("Until")}
          className="w-20"
          value={clause[side]}
          leaf={`when/hours/${side}`}
          onCommit={(text) => onClause({ ...clause, [side]: text })}
        />
      ))}
    </>
  );
}
