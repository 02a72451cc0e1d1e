import { isLocal } from "../../../../core/time/local.ts";
import { TextField } from "../../../fields/text-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** From one moment until another. */
export function BetweenFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"between">>) {
  return (
    <>
      {(["from", "until"] as const).map((side) => (
        <TextField
          key={side}
          label={side === "from" ? "From, such as 2026-11-27T09:00" : "Until, a day included"}
          value={clause[side] ?? ""}
          validate={(text) =>
            text === "" || isLocal(text) ? null : "a day of the calendar, or one and a time: 2026-11-27T09:00"
          }
          onCommit={(text) => {
            const { [side]: _, ...rest } = clause;
            onClause(text === "" ? rest : { ...rest, [side]: text });
          }}
        />
      ))}
    </>
  );
}
