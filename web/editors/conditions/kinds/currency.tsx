import { exponentOf } from "../../../../core/money/currency.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { NamesField } from "../names-field.tsx";

/** Currencies the shopper may pay in. */
export function CurrencyFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"currency">>) {
  return (
    <NamesField
      label="Currencies"
      list={clause.currencies}
      validate={(code) => (exponentOf(code) === undefined ? `${code} is no currency in use` : null)}
      onList={(currencies) => onClause({ ...clause, currencies })}
    />
  );
}
