import { postcodePattern } from "../../../../core/places/postcode.ts";
import { TextField } from "../../../fields/text-field.tsx";
import { COUNTRIES } from "../../../names/place-names.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { NamesField } from "../names-field.tsx";

/** Postcodes of a country. */
export function PostcodeFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"postcode">>) {
  return (
    <>
      <TextField
        label="Country"
        className="w-20"
        value={clause.country}
        validate={(code) => (COUNTRIES.some((one) => one.code === code) ? null : "a country's two letters")}
        onCommit={(country) => onClause({ ...clause, country })}
      />
      <NamesField
        label="Postcodes, patterns, ranges"
        list={clause.patterns}
        validate={(text) => (postcodePattern(clause.country, text) ? null : `${text} is no postcode, pattern or range`)}
        onList={(patterns) => onClause({ ...clause, patterns })}
      />
    </>
  );
}
