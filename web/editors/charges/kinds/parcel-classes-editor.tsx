import Plus from "lucide-react/icons/plus";
import Trash2 from "lucide-react/icons/trash-2";
import { parcelClasses as parcelClassCharge } from "../../../../core/charges/kinds/parcel-classes.ts";
import type { Amount } from "../../../../core/money/amount.ts";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { freeId } from "../../../../core/schema/positions.ts";
import { IconButton } from "../../../fields/icon-button.tsx";
import { SelectField } from "../../../fields/select-field.tsx";
import { TextField } from "../../../fields/text-field.tsx";
import { say } from "../../../language/say.ts";
import { useCatalogueNames } from "../../../state/known-names.ts";
import { EditedAmounts } from "../../amounts/edited-amounts.tsx";
import { amountIn } from "../amount-in.ts";
import type { ChargeFieldsProps, ChargeKindEditor } from "../charge-kind-editor.ts";

/** A price by the class of the parcels, and one for whatever has none. */
export const parcelClasses: ChargeKindEditor<"parcel-classes"> = {
  words: phrase("by parcel class"),
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
  const { parcelClasses } = useCatalogueNames();
  const names = Object.keys(charge.classes);
  const setClasses = (entries: readonly (readonly [string, Amount])[]) =>
    onCharge({ ...charge, classes: Object.fromEntries(entries) }, true);
  const rename = (from: string, to: string) =>
    setClasses(Object.entries(charge.classes).map(([name, amount]) => [name === from ? to : name, amount] as const));
  const rows = Object.entries(charge.classes).map(([name, amount]) => ({
    key: name,
    label: name,
    head: (
      <span className="flex items-end gap-1">
        <TextField
          label=""
          ariaLabel={say("Name of the class {name}", { name })}
          className="w-36"
          value={name}
          leaf="product/parcelClass"
          known={parcelClasses}
          rule={(to) => (to !== name && names.includes(to) ? say("There is a class {to} already", { to }) : null)}
          onCommit={(to) => rename(name, to)}
        />
        <IconButton
          words={say("Remove the class {name}", { name })}
          onClick={() => setClasses(Object.entries(charge.classes).filter(([one]) => one !== name))}
        >
          <Trash2 size={13} aria-hidden />
        </IconButton>
      </span>
    ),
    amount,
    set: (next: Amount, done: boolean) => onCharge({ ...charge, classes: { ...charge.classes, [name]: next } }, done),
  }));
  const others = {
    key: "others",
    label: say("Everything else"),
    amount: charge.others,
    set: (next: Amount, done: boolean) => onCharge({ ...charge, others: next }, done),
  };
  return (
    <div className="grid justify-items-start gap-3">
      <SelectField
        label={say("Of several classes in a cart")}
        className="w-60"
        value={charge.take}
        choices={{ sum: say("each is charged, and added up"), highest: say("only the highest is charged") }}
        onCommit={(take) => onCharge({ ...charge, take }, true)}
      />
      <EditedAmounts name={say("Parcel class")} rows={[...rows, others]} />
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => setClasses([...Object.entries(charge.classes), [freeId("class", names), charge.others]])}
      >
        <Plus size={14} aria-hidden /> {say("Add a class")}
      </button>
    </div>
  );
}
