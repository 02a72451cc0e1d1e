import { ListField } from "../../../fields/list-field.tsx";
import { LANGUAGE_CHOICES } from "../../../names/code-choices.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Languages the shopper may read. */
export function LanguageFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"language">>) {
  return (
    <ListField
      label="Languages"
      value={clause.languages}
      leaf="when/language/languages"
      choices={LANGUAGE_CHOICES}
      onCommit={(languages) => onClause({ ...clause, languages })}
    />
  );
}
