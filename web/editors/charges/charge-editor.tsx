import { createElement } from "react";
import type { Charge } from "../../../core/charges/charge.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import type { ChargeFieldsProps, ChargeKindEditor, ChargeOf, OnCharge } from "./charge-kind-editor.ts";
import { bands } from "./kinds/bands-editor.tsx";
import { carrier } from "./kinds/carrier-editor.tsx";
import { conditional } from "./kinds/conditional-editor.tsx";
import { flat } from "./kinds/flat-editor.tsx";
import { parcelClasses } from "./kinds/parcel-classes-editor.tsx";
import { perItem } from "./kinds/per-item-editor.tsx";

/** The editor of each kind of charge, in the order in which they are offered: a kind without one does not compile. */
const EDITORS: { readonly [Kind in Charge["kind"]]: ChargeKindEditor<Kind> } = {
  flat,
  "per-item": perItem,
  bands,
  "parcel-classes": parcelClasses,
  carrier,
  conditional,
};

type Props = {
  charge: Charge;
  onCharge: OnCharge;
  /** A charge inside another one, which may be no list of cases. */
  nested?: boolean;
};

/** A charge edited as it reads. */
export function ChargeEditor({ charge, onCharge, nested = false }: Props) {
  const choices = Object.entries(EDITORS)
    .filter(([kind]) => !nested || kind !== "conditional" || kind === charge.kind)
    .map(([kind, { words }]) => [kind, words]);
  return (
    <div className="grid gap-3">
      <SelectField<Charge["kind"]>
        label={nested ? say("It costs") : say("The charge is")}
        className="w-60"
        value={charge.kind}
        choices={Object.fromEntries(choices)}
        onCommit={(kind) => kind !== charge.kind && onCharge(instead(kind, charge), true)}
      />
      <ChargeFields
        charge={charge}
        onCharge={onCharge}
        inner={(own, onInner) => <ChargeEditor nested charge={own} onCharge={onInner} />}
      />
    </div>
  );
}

function ChargeFields<Kind extends Charge["kind"]>(props: ChargeFieldsProps<Kind>) {
  const kind: Kind = props.charge.kind;
  return createElement<ChargeFieldsProps<Kind>>(EDITORS[kind].Fields, props);
}

/** A charge of another kind that keeps what it can. */
function instead<Kind extends Charge["kind"]>(kind: Kind, former: Charge): ChargeOf<Kind> {
  return EDITORS[kind].instead(former);
}
