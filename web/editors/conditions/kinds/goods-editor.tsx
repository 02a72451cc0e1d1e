import { ListField } from "../../../fields/list-field.tsx";
import { SelectField } from "../../../fields/select-field.tsx";
import { say } from "../../../language/say.ts";
import { asChoices } from "../../../names/code-choices.ts";
import { useCatalogueNames } from "../../../state/known-names.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { HOW } from "../line-words.ts";

/** What is in the cart, by a mark of its products. */
export function GoodsFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"goods">>) {
  const names = useCatalogueNames();
  const known = {
    categories: names.categories,
    tags: names.tags,
    "parcel-classes": names.parcelClasses,
    skus: [],
  };
  return (
    <>
      <SelectField
        label={say("Lines")}
        value={clause.how}
        choices={{ ...HOW, all: say("a line for each") }}
        onCommit={(how) => onClause({ ...clause, how })}
      />
      <SelectField
        label={say("By")}
        value={clause.by}
        choices={{ categories: say("category"), tags: say("tag"), skus: "SKU", "parcel-classes": say("parcel class") }}
        onCommit={(by) => onClause({ ...clause, by })}
      />
      <ListField
        label={say("Any of these")}
        value={clause.of}
        leaf="when/goods/of"
        choices={asChoices(known[clause.by])}
        onCommit={(of) => onClause({ ...clause, of })}
      />
    </>
  );
}
