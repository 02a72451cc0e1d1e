import { use } from "react";
import { say } from "../language/say.ts";
import { FIRST_UNITS, type UnitSystem } from "../names/units.ts";
import { readFigure } from "./read-figure.ts";
import { SelectField } from "./select-field.tsx";
import { TextField } from "./text-field.tsx";
import { UnitsContext } from "./units-context.ts";

type Quantity<Unit extends string> = { value: string; unit: Unit };
type Props<Unit extends string> = {
  label: string;
  /** Instead of a label that is seen. */
  ariaLabel?: string;
  /** Undefined where there may be none; the first unit is taken then. */
  quantity: Quantity<Unit> | undefined;
  units: Readonly<Record<Unit, string>>;
  onQuantity: (quantity: Quantity<Unit>) => void;
  /** Called when the figure is emptied; without it one is needed. */
  onEmpty?: () => void;
};

export const WEIGHT_UNITS = { g: "g", kg: "kg", oz: "oz", lb: "lb", mg: "mg" } as const;
export const DISTANCE_UNITS = { km: "km", m: "m", mi: "mi" } as const;
export const VOLUME_UNITS = { cm3: "cm³", dm3: "dm³ (litres)", m3: "m³", in3: "in³", ft3: "ft³" } as const;

/** A figure with its unit, such as a weight or a distance. */
export function QuantityField<Unit extends string>(props: Props<Unit>) {
  const { label, ariaLabel, quantity, units, onQuantity, onEmpty } = props;
  const system = use(UnitsContext);
  const unit = quantity?.unit ?? firstOf(units, system);
  return (
    <span className="inline-flex items-end gap-1">
      <TextField
        label={label}
        {...(ariaLabel ? { ariaLabel } : {})}
        value={quantity?.value}
        className="w-24"
        leaf="figure"
        read={readFigure}
        onCommit={(value) => onQuantity({ value, unit })}
        {...(onEmpty ? { onEmpty } : {})}
      />
      {quantity ? (
        <SelectField
          label={say("Unit of {label}", { label: ariaLabel ?? label })}
          hideLabel
          value={unit}
          choices={units}
          onCommit={(next) => onQuantity({ ...quantity, unit: next })}
        />
      ) : (
        <span className="pb-1.5">{units[unit]}</span>
      )}
    </span>
  );
}

function firstOf<Unit extends string>(units: Readonly<Record<Unit, string>>, system: UnitSystem): Unit {
  const wanted: readonly string[] = Object.values(FIRST_UNITS[system]);
  for (const unit in units) if (wanted.includes(unit)) return unit;
  for (const unit in units) return unit;
  throw new TypeError("a quantity without units");
}
