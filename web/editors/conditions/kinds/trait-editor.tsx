import { SelectField } from "../../../fields/select-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { HOW } from "../line-words.ts";

/** How the goods in the cart are. */
export function TraitFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"trait">>) {
  return (
    <>
      <SelectField label="Lines" value={clause.how} choices={HOW} onCommit={(how) => onClause({ ...clause, how })} />
      <SelectField
        label="Are"
        value={clause.trait}
        choices={{
          used: "used",
          new: "new",
          "ships-free": "shipped free by themselves",
          "own-charge": "charged on their own",
          "nothing-to-ship": "nothing that is shipped",
          reduced: "reduced",
        }}
        onCommit={(trait) => onClause({ ...clause, trait })}
      />
    </>
  );
}
