import { ListField } from "../../../fields/list-field.tsx";
import { say } from "../../../language/say.ts";
import { languageChoicesOfAll } from "../../../names/code-choices.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Languages the shopper may read. */
export function LanguageFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"language">>) {
  return (
    <ListField
      label={say("Languages")}
      value={clause.languages}
      leaf="when/language/languages"
      choices={languageChoicesOfAll()}
      onCommit={(languages) => onClause({ ...clause, languages })}
    />
  );
}
