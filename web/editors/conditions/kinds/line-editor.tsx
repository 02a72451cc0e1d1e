import { NumberField } from "../../../fields/number-field.tsx";
import { QuantityField, WEIGHT_UNITS } from "../../../fields/quantity-field.tsx";
import { SelectField } from "../../../fields/select-field.tsx";
import { say } from "../../../language/say.ts";
import { ClauseAmounts } from "../clause-amounts.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { ComparisonField } from "../comparison-field.tsx";
import { HOW } from "../line-words.ts";

/** A figure of single lines. */
export function LineFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"line">>) {
  const { figure } = clause;
  const set = (next: typeof figure) => onClause({ ...clause, figure: next });
  return (
    <>
      <SelectField
        label={say("Lines")}
        value={clause.how}
        choices={HOW}
        onCommit={(how) => onClause({ ...clause, how })}
      />
      <SelectField
        label={say("Have a")}
        value={figure.kind}
        choices={{ price: say("price"), quantity: say("quantity"), weight: say("weight of one piece") }}
        onCommit={(kind) => {
          if (kind === "price") set({ kind, is: figure.is, amount: { byCurrency: {} } });
          else if (kind === "quantity") set({ kind, is: figure.is, count: 1 });
          else set({ kind, is: figure.is, weight: { value: "1", unit: "kg" } });
        }}
      />
      <ComparisonField value={figure.is} onIs={(is) => set({ ...figure, is })} />
      {figure.kind === "price" && (
        <ClauseAmounts name={say("Price")} amount={figure.amount} onAmount={(amount) => set({ ...figure, amount })} />
      )}
      {figure.kind === "quantity" && (
        <NumberField
          label={say("Pieces")}
          value={figure.count}
          leaf="when/line/figure/quantity/count"
          onCommit={(count) => set({ ...figure, count })}
        />
      )}
      {figure.kind === "weight" && (
        <QuantityField
          label={say("Weight")}
          quantity={figure.weight}
          units={WEIGHT_UNITS}
          onQuantity={(weight) => set({ ...figure, weight })}
        />
      )}
    </>
  );
}
