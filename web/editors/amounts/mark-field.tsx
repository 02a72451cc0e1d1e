import type { Mark } from "../../../core/measures/measure-spec.ts";
import { NumberField } from "../../fields/number-field.tsx";
import { DISTANCE_UNITS, QuantityField, VOLUME_UNITS, WEIGHT_UNITS } from "../../fields/quantity-field.tsx";

type Props = { label: string; hideLabel?: boolean; mark: Mark; onMark: (mark: Mark) => void };

/** A point on a scale that is no amount of money: those stand in tables of amounts. */
export function MarkField({ label, hideLabel = false, mark, onMark }: Props) {
  const named = hideLabel ? { label: "", ariaLabel: label } : { label };
  if ("items" in mark)
    return <NumberField {...named} value={mark.items} leaf="mark/items" onCommit={(items) => onMark({ items })} />;
  if ("weight" in mark)
    return (
      <QuantityField
        {...named}
        quantity={mark.weight}
        units={WEIGHT_UNITS}
        onQuantity={(weight) => onMark({ weight })}
      />
    );
  if ("volume" in mark)
    return (
      <QuantityField
        {...named}
        quantity={mark.volume}
        units={VOLUME_UNITS}
        onQuantity={(volume) => onMark({ volume })}
      />
    );
  if ("distance" in mark)
    return (
      <QuantityField
        {...named}
        quantity={mark.distance}
        units={DISTANCE_UNITS}
        onQuantity={(distance) => onMark({ distance })}
      />
    );
  return null;
}
