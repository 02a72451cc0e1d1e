import { ListField } from "../../../fields/list-field.tsx";
import { SelectField } from "../../../fields/select-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { HOW } from "../line-words.ts";

/** What is in the cart, by a mark of its products. */
export function GoodsFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"goods">>) {
  return (
    <>
      <SelectField
        label="Lines"
        value={clause.how}
        choices={{ ...HOW, all: "a line for each" }}
        onCommit={(how) => onClause({ ...clause, how })}
      />
      <SelectField
        label="By"
        value={clause.by}
        choices={{ categories: "category", tags: "tag", skus: "SKU", "parcel-classes": "parcel class" }}
        onCommit={(by) => onClause({ ...clause, by })}
      />
      <ListField
        label="Any of these"
        value={clause.of}
        leaf="when/goods/of"
        onCommit={(of) => onClause({ ...clause, of })}
      />
    </>
  );
}
