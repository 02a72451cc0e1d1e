import { ListField } from "../../../fields/list-field.tsx";
import { isCurrency } from "../../../fields/rules.ts";
import { say } from "../../../language/say.ts";
import { currencyChoices } from "../../../names/code-choices.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Currencies the shopper may pay in. */
export function CurrencyFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"currency">>) {
  return (
    <ListField
      label={say("Currencies")}
      value={clause.currencies}
      leaf="when/currency/currencies"
      rule={isCurrency}
      choices={currencyChoices()}
      onCommit={(currencies) => onClause({ ...clause, currencies })}
    />
  );
}
