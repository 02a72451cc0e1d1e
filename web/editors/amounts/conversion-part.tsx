import { lazy, Suspense, useState } from "react";
import { type Amount, type ResolvedAmount, type Rounding, resolveAmount } from "../../../core/money/amount.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { majorIn, majorUnits } from "../../../core/money/decimal.ts";
import type { RateTable } from "../../../core/money/rates.ts";
import { type Plan, ratesOf } from "../../../core/plan/plan.ts";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";
import { type Column, placeOf } from "./columns.ts";
import { sourceWords } from "./source-words.ts";
import { withAmount, withoutOwnAmount } from "./with-amount.ts";

// Opened rarely: loaded when it is.
const RoundingFields = lazy(() =>
  import("./rounding-fields.tsx").then((module) => ({ default: module.RoundingFields })),
);

type Props = {
  plan: Plan;
  label: string;
  amount: Amount;
  /** Undefined for a cell that has no amount. */
  found: ResolvedAmount | undefined;
  column: Column;
  onCommit: (amount: Amount) => void;
};

/** What a converted amount comes from, with its rounding to be changed or the figure pinned; a typed one can be converted. */
export function ConversionPart({ plan, label, amount, found, column, onCommit }: Props) {
  const { currency } = column;
  const [isOpen, setIsOpen] = useState(false);
  if (found?.from !== "conversion") {
    const converted = asConverted(plan, amount, column);
    return converted ? (
      <button
        type="button"
        className={`block min-h-6 w-full cursor-pointer text-right text-[13px] text-quiet hover:underline ${found ? "opacity-0 hover:opacity-100 focus-visible:opacity-100 [td:hover_&]:opacity-100" : ""}`}
        onClick={() => onCommit(converted)}
      >
        {say("convert")}
        <span className="sr-only"> {label}</span>
      </button>
    ) : null;
  }
  const to = amount.converted?.to ?? {};
  const rounding = found.rounding;
  const setRounding = (next: Rounding) =>
    amount.converted && onCommit({ ...amount, converted: { ...amount.converted, to: { ...to, [currency]: next } } });
  const pin = () => {
    const rest = setOptional(to, currency, undefined);
    const left = amount.converted && Object.keys(rest).length > 0 ? { ...amount.converted, to: rest } : undefined;
    onCommit(withAmount(setOptional(amount, "converted", left), placeOf(column), found.minor));
  };
  return (
    <details className="text-right text-[13px] text-quiet" onToggle={(event) => setIsOpen(event.currentTarget.open)}>
      <summary className="min-h-6 cursor-pointer pt-1 whitespace-nowrap">{sourceWords(found, currency)}</summary>
      {isOpen && (
        <Suspense fallback={null}>
          <RoundingFields
            label={label}
            rounding={rounding}
            onRounding={setRounding}
            onPin={pin}
            tables={tablesFor(plan, amount, currency)}
            table={amount.converted?.table ?? ""}
            onTable={(table) => amount.converted && onCommit({ ...amount, converted: { ...amount.converted, table } })}
          />
        </Suspense>
      )}
    </details>
  );
}

/** The rates by which an amount can be converted: those for one of a currency that it is typed in. */
const tablesFor = ({ rates = [] }: Plan, { byCurrency }: Amount, currency: string): readonly RateTable[] =>
  rates.filter(
    ({ base, days }) =>
      base !== currency && byCurrency?.[base] !== undefined && days.some(({ rates: of }) => of[currency] !== undefined),
  );

/** The amount with one currency converted instead of typed; null where no rate or no amount to convert is there. */
function asConverted(plan: Plan, amount: Amount, column: Column): Amount | null {
  const { market, currency } = column;
  const [table] = tablesFor(plan, amount, currency);
  if (!table) return null;
  const shared = withoutOwnAmount(amount, { zone: null, market: market.id, currency });
  const context = { ...placeOf(column), rates: ratesOf(plan) };
  const by = (step: string): Amount => ({
    ...shared,
    byCurrency: setOptional(amount.byCurrency ?? {}, currency, undefined),
    converted: {
      table: amount.converted?.table ?? table.id,
      to: { ...amount.converted?.to, [currency]: { step, direction: "nearest" as const } },
    },
  });
  // About as much as it comes to tells how round it should be.
  const exact = resolveAmount(by(majorIn(1, currency)), context);
  return exact ? by(stepFor(exact.minor, currency)) : null;
}

/** A step about a twentieth of an amount: 1, 5, 10, 50 … */
function stepFor(minor: number, currency: string): string {
  const unit = 10 ** (exponentOf(currency) ?? 2);
  const power = 10 ** Math.max(0, Math.floor(Math.log10(Math.max(1, minor / unit))) - 1);
  return majorUnits(
    Math.round((minor / unit >= power * 30 ? power * 5 : power) * unit),
    exponentOf(currency) ?? 2,
  ).replace(/\.0+$/, "");
}
