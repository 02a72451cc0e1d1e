import { ListField } from "../../../fields/list-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Words of the street lines, in any case and with any accents. */
export function StreetFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"street">>) {
  return (
    <ListField
      label={say("Any of these words")}
      value={clause.words}
      leaf="when/street/words"
      onCommit={(words) => onClause({ ...clause, words })}
    />
  );
}
