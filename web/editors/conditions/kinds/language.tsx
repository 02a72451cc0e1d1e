import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { NamesField } from "../names-field.tsx";

/** Languages the shopper may read. */
export function LanguageFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"language">>) {
  return (
    <NamesField
      label="Languages"
      list={clause.languages}
      validate={(tag) =>
        /^[a-z]{2,3}(-[A-Z][a-z]{3})?(-([A-Z]{2}|[0-9]{3}))?$/.test(tag)
          ? null
          : `${tag} is no language tag, such as pt or pt-BR`
      }
      onList={(languages) => onClause({ ...clause, languages })}
    />
  );
}
