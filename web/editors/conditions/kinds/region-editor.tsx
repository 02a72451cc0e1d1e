import { ListField } from "../../../fields/list-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Regions of a country. */
export function RegionFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"region">>) {
  return (
    <ListField
      label="Regions by ISO 3166-2"
      value={clause.regions}
      leaf="when/region/regions"
      onCommit={(regions) => onClause({ ...clause, regions })}
    />
  );
}
