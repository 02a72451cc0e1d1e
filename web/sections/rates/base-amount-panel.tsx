import { useState } from "react";
import { baseAmountFor } from "../../../core/money/drift.ts";
import { makersMoney } from "../../../core/money/format.ts";
import type { RateTable } from "../../../core/money/rates.ts";
import { typedAmount } from "../../../core/money/typed.ts";
import { MoneyField } from "../../fields/money-field.tsx";
import { readPercent } from "../../fields/read-figure.ts";
import { isAtMostAll } from "../../fields/rules.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { HistoryChart } from "./history-chart.tsx";

/** For shops that hold one amount in their base currency: what to type there for a round goal abroad, and how it strays. */
export function BaseAmountPanel({ table }: { table: RateTable }) {
  const currencies = [...new Set(table.days.flatMap(({ rates }) => Object.keys(rates)))].sort();
  const [currency, setCurrency] = useState(currencies.includes("USD") ? "USD" : (currencies[0] ?? ""));
  const [goal, setGoal] = useState("75");
  const [percent, setPercent] = useState("1");
  const read = typedAmount(goal, currency);
  const found = "minor" in read ? baseAmountFor(table, currency, read.minor, percent) : null;
  return (
    <section aria-label="One base amount">
      <h2 className="mb-1 font-semibold">If a shop can hold only one amount, in {table.base}</h2>
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label="Currency"
          className="w-24"
          value={currency}
          choices={Object.fromEntries(currencies.map((code) => [code, code]))}
          onCommit={setCurrency}
        />
        <MoneyField label="Round goal there" className="w-28" value={goal} currency={currency} onCommit={setGoal} />
        <TextField
          label="Close enough, % off the goal"
          className="w-28"
          value={percent}
          leaf="percent"
          rule={isAtMostAll}
          read={readPercent}
          onCommit={setPercent}
        />
      </div>
      {found && "minor" in read && (
        <>
          <p className="mt-2">
            Type <strong>{makersMoney(found.base, table.base)}</strong>. Over {found.shown.length} days shoppers were
            shown at most <strong>{(found.farthest * 100).toFixed(2)} %</strong> beside{" "}
            {makersMoney(read.minor, currency)};{" "}
            <strong className={found.beyond > 0 ? "text-warning" : ""}>
              {found.beyond === 1 ? "one day" : `${found.beyond} days`}
            </strong>{" "}
            beyond {percent} %.
          </p>
          <HistoryChart
            name={`Shown for ${makersMoney(found.base, table.base)}`}
            currency={currency}
            shown={found.shown}
            goal={read.minor}
          />
        </>
      )}
    </section>
  );
}
