import { parcelClasses as parcelClassCharge } from "../../../../core/charges/kinds/parcel-classes.ts";
import { EditedAmounts } from "../../amounts/edited-amounts.tsx";
import { amountIn } from "../amount-in.ts";
import type { ChargeFieldsProps, ChargeKindEditor } from "../charge-kind-editor.ts";

/** A price by the class of the parcels, and one for whatever has none. */
export const parcelClasses: ChargeKindEditor<"parcel-classes"> = {
  words: "by parcel class",
  instead: (former) => {
    const { take, classes } = parcelClassCharge.example;
    const amount = amountIn(former);
    const named = Object.keys(classes).slice(0, 1);
    return {
      kind: "parcel-classes",
      take,
      classes: Object.fromEntries(named.map((name) => [name, amount])),
      others: amount,
    };
  },
  Fields: ParcelClassesFields,
};

function ParcelClassesFields({ charge, onCharge }: ChargeFieldsProps<"parcel-classes">) {
  const classes = Object.entries(charge.classes).map(([name, amount]) => ({
    key: name,
    label: name,
    amount,
    set: (next: typeof amount, done: boolean) =>
      onCharge({ ...charge, classes: { ...charge.classes, [name]: next } }, done),
  }));
  const others = {
    key: "others",
    label: "Everything else",
    amount: charge.others,
    set: (next: typeof charge.others, done: boolean) => onCharge({ ...charge, others: next }, done),
  };
  return <EditedAmounts name="Parcel class" rows={[...classes, others]} />;
}
