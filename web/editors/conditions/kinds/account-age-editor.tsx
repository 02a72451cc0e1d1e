import { NumberField } from "../../../fields/number-field.tsx";
import { SelectField } from "../../../fields/select-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** How long ago the account was opened. */
export function AccountAgeFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"account-age">>) {
  return (
    <>
      <SelectField
        label={say("How long ago")}
        value={clause.is}
        choices={{ "at-least": say("at least"), "at-most": say("at most") }}
        onCommit={(is) => onClause({ ...clause, is })}
      />
      <NumberField
        label={say("Days")}
        value={clause.days}
        leaf="when/account-age/days"
        onCommit={(days) => onClause({ ...clause, days })}
      />
    </>
  );
}
