import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { NamesField } from "../names-field.tsx";

/** Codes the shopper may enter. */
export function CodeFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"code">>) {
  return <NamesField label="Codes" list={clause.codes} onList={(codes) => onClause({ ...clause, codes })} />;
}
