import type { Basis } from "../../../core/measures/basis.ts";
import type { LeavesOut } from "../../../core/measures/goods-filter.ts";
import { Choice } from "../fields/choice.tsx";
import { ListField } from "../fields/list-field.tsx";
import { withPart } from "../state/with-part.ts";

type Props = { basis: Basis; onBasis: (basis: Basis) => void };

/** Which total counts: reduced prices, order discounts, tax, and the goods that are left out. */
export function BasisFields({ basis, onBasis }: Props) {
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
      <Choice
        label="Line discounts"
        value={basis.lineDiscounts}
        choices={{ in: "taken off first", out: "not taken off" }}
        onValue={(lineDiscounts) => onBasis({ ...basis, lineDiscounts })}
      />
      <Choice
        label="Order discounts and codes"
        value={basis.orderDiscounts}
        choices={{ in: "taken off first", out: "not taken off" }}
        onValue={(orderDiscounts) => onBasis({ ...basis, orderDiscounts })}
      />
      <Choice
        label="Tax"
        value={basis.tax}
        choices={{ with: "with tax", without: "without tax" }}
        onValue={(tax) => onBasis({ ...basis, tax })}
      />
      <LeavesOutFields
        leavesOut={basis.leavesOut}
        onLeavesOut={(leavesOut) => onBasis(withPart(basis, "leavesOut", leavesOut))}
      />
    </div>
  );
}

type LeavesOutProps = { leavesOut: LeavesOut | undefined; onLeavesOut: (leavesOut: LeavesOut | undefined) => void };

/** Goods that do not count, or do not profit. */
export function LeavesOutFields({ leavesOut, onLeavesOut }: LeavesOutProps) {
  const set = (part: LeavesOut) => {
    const next = Object.fromEntries(
      Object.entries({ ...leavesOut, ...part }).filter(([, list]) => list && list.length > 0),
    );
    onLeavesOut(Object.keys(next).length > 0 ? next : undefined);
  };
  return (
    <>
      <ListField
        label="Leaving out categories"
        value={leavesOut?.categories ?? []}
        placeholder="none"
        className="w-44"
        onValue={(categories) => set({ categories })}
      />
      <ListField
        label="tags"
        value={leavesOut?.tags ?? []}
        placeholder="none"
        className="w-32"
        onValue={(tags) => set({ tags })}
      />
      <ListField
        label="SKUs"
        value={leavesOut?.skus ?? []}
        placeholder="none"
        className="w-32"
        onValue={(skus) => set({ skus })}
      />
    </>
  );
}
