import { ListField } from "../../../fields/list-field.tsx";
import { isCountry, isPostcodeOf } from "../../../fields/rules.ts";
import { TextField } from "../../../fields/text-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Postcodes of a country. */
export function PostcodeFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"postcode">>) {
  return (
    <>
      <TextField
        label="Country"
        className="w-20"
        value={clause.country}
        leaf="when/postcode/country"
        rule={isCountry}
        onCommit={(country) => onClause({ ...clause, country })}
      />
      <ListField
        label="Postcodes, patterns, ranges"
        value={clause.patterns}
        leaf="when/postcode/patterns"
        rule={isPostcodeOf(clause.country)}
        onCommit={(patterns) => onClause({ ...clause, patterns })}
      />
    </>
  );
}
