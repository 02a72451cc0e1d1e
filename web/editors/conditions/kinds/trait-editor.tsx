import { SelectField } from "../../../fields/select-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { HOW } from "../line-words.ts";

/** How the goods in the cart are. */
export function TraitFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"trait">>) {
  return (
    <>
      <SelectField
        label={say("Lines")}
        value={clause.how}
        choices={HOW}
        onCommit={(how) => onClause({ ...clause, how })}
      />
      <SelectField
        label={say("Are")}
        value={clause.trait}
        choices={{
          used: say("used"),
          new: say("new"),
          "ships-free": say("shipped free by themselves"),
          "own-charge": say("charged on their own"),
          "nothing-to-ship": say("nothing that is shipped"),
          reduced: say("reduced"),
        }}
        onCommit={(trait) => onClause({ ...clause, trait })}
      />
    </>
  );
}
