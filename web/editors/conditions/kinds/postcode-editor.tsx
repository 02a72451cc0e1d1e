import { ListField } from "../../../fields/list-field.tsx";
import { isCountry, isPostcodeOf } from "../../../fields/rules.ts";
import { TextField } from "../../../fields/text-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Postcodes of a country to deliver or bill to. */
export function PostcodeFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"postcode" | "billing-postcode">>) {
  const isBill = clause.kind === "billing-postcode";
  return (
    <>
      <TextField
        label={isBill ? say("Country of the bill") : say("Country")}
        className="w-20"
        value={clause.country}
        leaf={`when/${clause.kind}/country`}
        rule={isCountry}
        onCommit={(country) => onClause({ ...clause, country })}
      />
      <ListField
        label={isBill ? say("Postcodes of the bill") : say("Postcodes, patterns, ranges")}
        value={clause.patterns}
        leaf={`when/${clause.kind}/patterns`}
        rule={isPostcodeOf(clause.country)}
        onCommit={(patterns) => onClause({ ...clause, patterns })}
      />
    </>
  );
}
