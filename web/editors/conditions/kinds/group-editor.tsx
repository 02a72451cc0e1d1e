import { ListField } from "../../../fields/list-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Groups the shopper may be in. */
export function GroupFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"group">>) {
  return (
    <ListField
      label="Groups"
      value={clause.groups}
      leaf="when/group/groups"
      onCommit={(groups) => onClause({ ...clause, groups })}
    />
  );
}
