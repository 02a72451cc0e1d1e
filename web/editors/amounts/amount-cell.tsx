import { type Amount, resolveAmount } from "../../../core/money/amount.ts";
import { formatMoney } from "../../../core/money/format.ts";
import { type Plan, ratesOf } from "../../../core/plan/plan.ts";
import { AmountField } from "./amount-field.tsx";
import type { Column } from "./columns.ts";
import { ConversionPart } from "./conversion-part.tsx";
import { withAmount } from "./with-amount.ts";

type Props = {
  plan: Plan;
  label: string;
  amount: Amount | undefined;
  column: Column;
  onShow: (amount: Amount) => void;
  onCommit: (amount: Amount) => void;
  onCancel: () => void;
};

/** An amount in one market's currency: typed looks typed, converted looks derived and says from what. */
export function AmountCell({ plan, label, amount, column, onShow, onCommit, onCancel }: Props) {
  const { market, currency } = column;
  const found = amount && resolveAmount(amount, { market: market.id, currency, rates: ratesOf(plan) });
  const next = (minor: number) => withAmount(amount ?? {}, market.id, currency, minor);
  const name = `${label} in ${market.name}, ${currency}`;
  return (
    <>
      <AmountField
        label={name}
        shown={found ? formatMoney(found.minor, currency, "en") : "not set"}
        minor={found?.minor}
        currency={currency}
        className={`text-right ${found?.from === "conversion" ? "italic" : "font-semibold"} ${found ? "" : "text-warning"}`}
        onShow={(minor) => onShow(next(minor))}
        onCommit={(minor) => onCommit(next(minor))}
        onCancel={onCancel}
      />
      {amount && (
        <ConversionPart plan={plan} label={name} amount={amount} found={found} column={column} onCommit={onCommit} />
      )}
    </>
  );
}
