import { ListField } from "../../../fields/list-field.tsx";
import { say } from "../../../language/say.ts";
import { asChoices } from "../../../names/code-choices.ts";
import { namesAsked } from "../../../state/known-names.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Groups the shopper may be in. */
export function GroupFields({ plan, clause, onClause }: ClauseEditorProps<ClauseOf<"group">>) {
  return (
    <ListField
      label={say("Groups")}
      value={clause.groups}
      leaf="when/group/groups"
      choices={asChoices(namesAsked(plan).groups)}
      onCommit={(groups) => onClause({ ...clause, groups })}
    />
  );
}
