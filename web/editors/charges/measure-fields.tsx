import type { MeasureSpec } from "../../../core/measures/measure-spec.ts";
import type { Weight } from "../../../core/quantities/quantity.ts";
import { NumberField } from "../../fields/number-field.tsx";
import { QuantityField, WEIGHT_UNITS } from "../../fields/quantity-field.tsx";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";
import { BasisFields, LeavesOutFields } from "../amounts/basis-fields.tsx";
import { useEditing } from "../editing.ts";

type Props = { spec: MeasureSpec; onSpec: (spec: MeasureSpec) => void };

/** What of a measure can be set: which total or goods count, how parcels are weighed, where a distance is measured from. */
export function MeasureFields({ spec, onSpec }: Props) {
  const { plan } = useEditing();
  switch (spec.kind) {
    case "value":
      return <BasisFields basis={spec.basis} onBasis={(basis) => onSpec({ ...spec, basis })} />;
    case "items":
      return (
        <div className={row}>
          <LeavesOutFields
            leavesOut={spec.leavesOut}
            onLeavesOut={(leavesOut) => onSpec(setOptional(spec, "leavesOut", leavesOut))}
          />
        </div>
      );
    case "weight":
      return (
        <div className={row}>
          <LeavesOutFields
            leavesOut={spec.leavesOut}
            onLeavesOut={(leavesOut) => onSpec(setOptional(spec, "leavesOut", leavesOut))}
          />
          <PackingFields packed={spec} onPacked={onSpec} />
        </div>
      );
    case "volumetric-weight":
    case "chargeable-weight":
      return (
        <div className={row}>
          <NumberField
            label={say("Cubic centimetres to the kilogram (empty: 5000)")}
            value={spec.divisor}
            leaf="charge/bands/by/volumetric-weight/divisor"
            onCommit={(divisor) => onSpec({ ...spec, divisor })}
            onEmpty={() => onSpec(setOptional(spec, "divisor", undefined))}
          />
          <PackingFields packed={spec} onPacked={onSpec} />
        </div>
      );
    case "distance":
      return (
        <SelectField
          label={say("Measured from")}
          className="w-56"
          value={spec.from}
          choices={choicesOf(plan.locations ?? [], ({ name, id }) => name.en ?? id)}
          onCommit={(from) => onSpec({ ...spec, from })}
        />
      );
    default:
      return null;
  }
}

const row = "flex flex-wrap items-end gap-x-3 gap-y-2";

type Packed = { packing?: Weight; roundUpTo?: Weight };
type PackingProps<Of extends Packed> = { packed: Of; onPacked: (packed: Of) => void };

/** What a parcel weighs beyond its goods, and the multiple that its weight is rounded up to. */
export const PackingFields = <Of extends Packed>({ packed, onPacked }: PackingProps<Of>) =>
  (["packing", "roundUpTo"] as const).map((part) => (
    <QuantityField
      key={part}
      label={part === "packing" ? say("Packing weighs") : say("Weight rounded up to")}
      quantity={packed[part]}
      units={WEIGHT_UNITS}
      onQuantity={(weight) => onPacked({ ...packed, [part]: weight })}
      onEmpty={() => onPacked(setOptional(packed, part, undefined))}
    />
  ));
