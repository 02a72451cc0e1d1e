import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { NamesField } from "../names-field.tsx";

/** Regions of a country. */
export function RegionFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"region">>) {
  return (
    <NamesField
      label="Regions by ISO 3166-2"
      list={clause.regions}
      validate={(code) => (/^[A-Z]{2}-[A-Z0-9]{1,3}$/.test(code) ? null : `${code} is no region's code, such as PT-30`)}
      onList={(regions) => onClause({ ...clause, regions })}
    />
  );
}
