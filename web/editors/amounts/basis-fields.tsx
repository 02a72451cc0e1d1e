import type { Basis } from "../../../core/measures/basis.ts";
import type { LeavesOut } from "../../../core/measures/goods-filter.ts";
import { ListField } from "../../fields/list-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { asChoices } from "../../names/code-choices.ts";
import { useCatalogueNames } from "../../state/known-names.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = { basis: Basis; onBasis: (basis: Basis) => void };

/** Which total counts: reduced prices, order discounts, tax, and the goods that are left out. */
export function BasisFields({ basis, onBasis }: Props) {
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
      <SelectField
        label={say("Line discounts")}
        value={basis.lineDiscounts}
        choices={{ in: say("taken off first"), out: say("not taken off") }}
        onCommit={(lineDiscounts) => onBasis({ ...basis, lineDiscounts })}
      />
      <SelectField
        label={say("Order discounts")}
        value={basis.orderDiscounts}
        choices={{ in: say("taken off first"), out: say("not taken off") }}
        onCommit={(orderDiscounts) => onBasis({ ...basis, orderDiscounts })}
      />
      <SelectField<"in" | "out" | "">
        label={say("Codes")}
        value={basis.codes ?? ""}
        choices={{ "": say("as order discounts"), in: say("taken off first"), out: say("not taken off") }}
        onCommit={(codes) => onBasis(setOptional(basis, "codes", codes === "" ? undefined : codes))}
      />
      <SelectField
        label={say("Tax")}
        value={basis.tax}
        choices={{ with: say("with tax"), without: say("without tax") }}
        onCommit={(tax) => onBasis({ ...basis, tax })}
      />
      <LeavesOutFields
        leavesOut={basis.leavesOut}
        onLeavesOut={(leavesOut) => onBasis(setOptional(basis, "leavesOut", leavesOut))}
      />
    </div>
  );
}

type LeavesOutProps = { leavesOut: LeavesOut | undefined; onLeavesOut: (leavesOut: LeavesOut | undefined) => void };

/** Goods that do not count, or do not profit. */
export function LeavesOutFields({ leavesOut, onLeavesOut }: LeavesOutProps) {
  const names = useCatalogueNames();
  const set = (part: LeavesOut) => {
    const next = Object.fromEntries(
      Object.entries({ ...leavesOut, ...part }).filter(([, list]) => list && list.length > 0),
    );
    onLeavesOut(Object.keys(next).length > 0 ? next : undefined);
  };
  return (
    <>
      <ListField
        label={say("Leaving out categories")}
        value={leavesOut?.categories ?? []}
        leaf="leavesOut/categories"
        choices={asChoices(names.categories)}
        onEmpty={() => set({ categories: [] })}
        placeholder={say("none")}
        className="w-44"
        onCommit={(categories) => set({ categories })}
      />
      <ListField
        label={say("tags")}
        ariaLabel={say("Leaving out tags")}
        value={leavesOut?.tags ?? []}
        leaf="leavesOut/tags"
        choices={asChoices(names.tags)}
        onEmpty={() => set({ tags: [] })}
        placeholder={say("none")}
        className="w-32"
        onCommit={(tags) => set({ tags })}
      />
      <ListField
        label={say("SKUs")}
        ariaLabel={say("Leaving out SKUs")}
        value={leavesOut?.skus ?? []}
        leaf="leavesOut/skus"
        onEmpty={() => set({ skus: [] })}
        placeholder={say("none")}
        className="w-32"
        onCommit={(skus) => set({ skus })}
      />
    </>
  );
}
