import { decimal } from "../../core/money/decimal.ts";
import { SelectField } from "./select-field.tsx";
import { TextField } from "./text-field.tsx";

type Props<Unit extends string> = {
  label: string;
  quantity: { value: string; unit: Unit };
  units: Readonly<Record<Unit, string>>;
  onQuantity: (quantity: { value: string; unit: Unit }) => void;
};

export const WEIGHT_UNITS = { g: "g", kg: "kg", oz: "oz", lb: "lb" } as const;
export const DISTANCE_UNITS = { m: "m", km: "km", mi: "mi" } as const;

/** A figure with its unit, such as a weight or a distance. */
export function QuantityField<Unit extends string>({ label, quantity, units, onQuantity }: Props<Unit>) {
  return (
    <span className="inline-flex items-end gap-1">
      <TextField
        label={label}
        value={quantity.value}
        className="w-24"
        validate={(text) => (decimal(text.trim().replace(",", ".")) ? null : "a figure such as 2 or 0.5")}
        onCommit={(text) => onQuantity({ ...quantity, value: text.trim().replace(",", ".") })}
      />
      <SelectField
        label={`Unit of ${label}`}
        hideLabel
        value={quantity.unit}
        choices={units}
        onCommit={(unit) => onQuantity({ ...quantity, unit })}
      />
    </span>
  );
}
