import { ListField } from "../../../fields/list-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Codes the shopper may enter. */
export function CodeFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"code">>) {
  return (
    <ListField
      label={say("Codes")}
      value={clause.codes}
      leaf="when/code/codes"
      onCommit={(codes) => onClause({ ...clause, codes })}
    />
  );
}
