import type { Amount, ResolvedAmount } from "../../../core/money/amount.ts";
import { say } from "../../language/say.ts";
import { type Column, placeOf } from "./columns.ts";
import { withOwnAmount, withoutOwnAmount } from "./with-amount.ts";

type Props = {
  label: string;
  amount: Amount;
  found: ResolvedAmount;
  column: Column;
  onCommit: (amount: Amount) => void;
};

/** Whether a figure is the place's own or comes from what the markets share; each is made the other. */
export function OwnPart({ label, amount, found, column, onCommit }: Props) {
  const { zone, market } = column;
  const place = placeOf(column);
  const isOwn = found.from === (zone ? "zone" : "market");
  // A zone's figure becomes its own by being typed.
  if (zone && !isOwn)
    return <span className="block min-h-6 text-[13px] text-quiet">{say("as in {name}", { name: market.name })}</span>;
  return (
    <button
      type="button"
      className={`block min-h-6 w-full cursor-pointer text-right text-[13px] text-quiet hover:underline ${isOwn ? "" : "opacity-0 hover:opacity-100 focus-visible:opacity-100 [td:hover_&]:opacity-100"}`}
      onClick={() => onCommit(isOwn ? withoutOwnAmount(amount, place) : withOwnAmount(amount, place, found.minor))}
    >
      {isOwn
        ? zone
          ? say("make it as in {name}", { name: market.name })
          : say("make it as elsewhere")
        : say("make it its own")}
      <span className="sr-only"> {label}</span>
    </button>
  );
}
