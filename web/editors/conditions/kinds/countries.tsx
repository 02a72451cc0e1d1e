import { COUNTRIES } from "../../../names/place-names.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { NamesField } from "../names-field.tsx";

/** Countries to deliver or bill to. */
export function CountriesFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"country" | "billing">>) {
  return (
    <NamesField
      label="Countries, as two letters"
      list={clause.countries}
      validate={(code) => (COUNTRIES.some((one) => one.code === code) ? null : `${code} is no country's code`)}
      onList={(countries) => onClause({ ...clause, countries })}
    />
  );
}
