import { type Amount, resolveAmount } from "../../../core/money/amount.ts";
import { type Plan, ratesOf } from "../../../core/plan/plan.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { AmountField } from "./amount-field.tsx";
import { type Column, columnName, placeOf } from "./columns.ts";
import { ConversionPart } from "./conversion-part.tsx";
import { OwnPart } from "./own-part.tsx";
import { withAmount, withOwnAmount } from "./with-amount.ts";

type Props = {
  plan: Plan;
  label: string;
  amount: Amount;
  column: Column;
  /** Whether another market of the table has the same currency. */
  shared: boolean;
  onShow: (amount: Amount) => void;
  onCommit: (amount: Amount) => void;
  onCancel: () => void;
};

/** An amount at one place: typed looks typed; converted, or the market's, looks derived and says from what. */
export function AmountCell({ plan, label, amount, column, shared, onShow, onCommit, onCancel }: Props) {
  const { zone, currency } = column;
  const place = placeOf(column);
  const found = resolveAmount(amount, { ...place, rates: ratesOf(plan) });
  const next = (minor: number) => (zone ? withOwnAmount : withAmount)(amount, place, minor);
  const name = say("{label} in {column}", { label, column: columnName(column) });
  const derived = found?.from === "conversion" || (zone !== undefined && found?.from !== "zone");
  return (
    <>
      <AmountField
        label={name}
        shown={found ? makersMoney(found.minor, currency) : say("not set")}
        minor={found?.minor}
        currency={currency}
        className={`text-right ${derived ? "italic" : "font-semibold"} ${found ? "" : "text-warning"}`}
        onShow={(minor) => onShow(next(minor))}
        onCommit={(minor) => onCommit(next(minor))}
        onCancel={onCancel}
      />
      {!zone && (
        <ConversionPart plan={plan} label={name} amount={amount} found={found} column={column} onCommit={onCommit} />
      )}
      {found && (zone || shared) && (
        <OwnPart label={name} amount={amount} found={found} column={column} onCommit={onCommit} />
      )}
    </>
  );
}
