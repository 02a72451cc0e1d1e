import { ListField } from "../../../fields/list-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Regions to deliver or bill to. */
export function RegionFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"region" | "billing-region">>) {
  return (
    <ListField
      label={clause.kind === "region" ? say("Regions by ISO 3166-2") : say("Regions of the bill, by ISO 3166-2")}
      value={clause.regions}
      leaf={`when/${clause.kind}/regions`}
      onCommit={(regions) => onClause({ ...clause, regions })}
    />
  );
}
