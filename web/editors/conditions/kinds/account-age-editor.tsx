import { NumberField } from "../../../fields/number-field.tsx";
import { SelectField } from "../../../fields/select-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** How long ago the account was opened. */
export function AccountAgeFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"account-age">>) {
  return (
    <>
      <SelectField
        label="How long ago"
        value={clause.is}
        choices={{ "at-least": "at least", "at-most": "at most" }}
        onCommit={(is) => onClause({ ...clause, is })}
      />
      <NumberField
        label="Days"
        value={clause.days}
        leaf="when/account-age/days"
        onCommit={(days) => onClause({ ...clause, days })}
      />
    </>
  );
}
