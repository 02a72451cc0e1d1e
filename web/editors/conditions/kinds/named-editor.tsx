import { ListField } from "../../../fields/list-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Shoppers by their ids. */
export function NamedFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"named">>) {
  return (
    <ListField
      label={say("Ids of shoppers")}
      value={clause.ids}
      leaf="when/named/ids"
      onCommit={(ids) => onClause({ ...clause, ids })}
    />
  );
}
