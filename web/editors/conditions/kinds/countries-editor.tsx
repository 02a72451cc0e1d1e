import { ListField } from "../../../fields/list-field.tsx";
import { isCountry } from "../../../fields/rules.ts";
import { say } from "../../../language/say.ts";
import { countries } from "../../../names/place-names.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Countries to deliver or bill to. */
export function CountriesFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"country" | "billing">>) {
  return (
    <ListField
      label={say("Countries, as two letters")}
      value={clause.countries}
      leaf={`when/${clause.kind}/countries`}
      rule={isCountry}
      choices={countries().map(({ code, name }) => ({ value: code, words: name }))}
      onCommit={(countries) => onClause({ ...clause, countries })}
    />
  );
}
