import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { NamesField } from "../names-field.tsx";

/** Groups the shopper may be in. */
export function GroupFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"group">>) {
  return <NamesField label="Groups" list={clause.groups} onList={(groups) => onClause({ ...clause, groups })} />;
}
