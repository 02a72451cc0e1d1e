import { ListField } from "../../../fields/list-field.tsx";
import { isCurrency } from "../../../fields/rules.ts";
import { CURRENCY_CHOICES } from "../../../names/code-choices.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Currencies the shopper may pay in. */
export function CurrencyFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"currency">>) {
  return (
    <ListField
      label="Currencies"
      value={clause.currencies}
      leaf="when/currency/currencies"
      rule={isCurrency}
      choices={CURRENCY_CHOICES}
      onCommit={(currencies) => onClause({ ...clause, currencies })}
    />
  );
}
