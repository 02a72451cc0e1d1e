import { readFigure } from "./read-figure.ts";
import { SelectField } from "./select-field.tsx";
import { TextField } from "./text-field.tsx";

type Quantity<Unit extends string> = { value: string; unit: Unit };
type Props<Unit extends string> = {
  label: string;
  quantity: Quantity<Unit>;
  units: Readonly<Record<Unit, string>>;
  onQuantity: (quantity: Quantity<Unit>) => void;
  /** Called when the figure is emptied; without it one is needed. */
  onEmpty?: () => void;
};

export const WEIGHT_UNITS = { g: "g", kg: "kg", oz: "oz", lb: "lb" } as const;
export const DISTANCE_UNITS = { m: "m", km: "km", mi: "mi" } as const;

/** A figure with its unit, such as a weight or a distance. */
export function QuantityField<Unit extends string>({ label, quantity, units, onQuantity, onEmpty }: Props<Unit>) {
  return (
    <span className="inline-flex items-end gap-1">
      <TextField
        label={label}
        value={quantity.value}
        className="w-24"
        leaf="figure"
        read={readFigure}
        onCommit={(value) => onQuantity({ ...quantity, value })}
        {...(onEmpty ? { onEmpty } : {})}
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
