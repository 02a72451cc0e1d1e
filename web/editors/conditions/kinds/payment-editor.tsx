import { ListField } from "../../../fields/list-field.tsx";
import { say } from "../../../language/say.ts";
import { asChoices } from "../../../names/code-choices.ts";
import { namesAsked } from "../../../state/known-names.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Ways of paying, by the names the shop gives them. */
export function PaymentFields({ plan, clause, onClause }: ClauseEditorProps<ClauseOf<"payment">>) {
  return (
    <ListField
      label={say("Ways of paying")}
      value={clause.methods}
      leaf="when/payment/methods"
      choices={asChoices(namesAsked(plan).payments)}
      onCommit={(methods) => onClause({ ...clause, methods })}
    />
  );
}
