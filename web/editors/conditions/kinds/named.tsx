import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { NamesField } from "../names-field.tsx";

/** Shoppers by their ids. */
export function NamedFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"named">>) {
  return <NamesField label="Ids of shoppers" list={clause.ids} onList={(ids) => onClause({ ...clause, ids })} />;
}
