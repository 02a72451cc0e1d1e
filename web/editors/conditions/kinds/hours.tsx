import { TextField } from "../../../fields/text-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

const TIME = /^([01]\d|2[0-3]):[0-5]\d$/;

/** From one time of the day until another. */
export function HoursFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"hours">>) {
  return (
    <>
      {(["from", "until"] as const).map((side) => (
        <TextField
          key={side}
          label={side === "from" ? "From" : "Until"}
          className="w-20"
          value={clause[side]}
          validate={(text) => (TIME.test(text) ? null : "a time such as 18:30")}
          onCommit={(text) => onClause({ ...clause, [side]: text })}
        />
      ))}
    </>
  );
}
