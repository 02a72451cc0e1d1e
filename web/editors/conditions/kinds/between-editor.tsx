import { DayField } from "../../../fields/day-field.tsx";
import { say } from "../../../language/say.ts";
import { setOptional } from "../../../state/set-optional.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** From one moment until another. */
export function BetweenFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"between">>) {
  return (
    <>
      {(["from", "until"] as const).map((side) => (
        <DayField
          key={side}
          label={side === "from" ? say("From, such as 2026-11-27T09:00") : say("Until, a day included")}
          value={clause[side]}
          {...(side === "from" ? { before: clause.until } : { after: clause.from })}
          leaf={`when/between/${side}`}
          onCommit={(text) => onClause({ ...clause, [side]: text })}
          onEmpty={() => onClause(setOptional(clause, side, undefined))}
        />
      ))}
    </>
  );
}
