import { useState } from "react";
import { baseAmountFor } from "../../../core/money/drift.ts";
import type { RateTable } from "../../../core/money/rates.ts";
import { typedAmount } from "../../../core/money/typed.ts";
import { MoneyField } from "../../fields/money-field.tsx";
import { readPercent } from "../../fields/read-figure.ts";
import { isAtMostAll } from "../../fields/rules.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
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
    <section aria-label={say("One base amount")}>
      <h2 className="mb-1 font-semibold">
        {say("If a shop can hold only one amount, in {base}", { base: table.base })}
      </h2>
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label={say("Currency")}
          className="w-24"
          value={currency}
          choices={Object.fromEntries(currencies.map((code) => [code, code]))}
          onCommit={setCurrency}
        />
        <MoneyField
          label={say("Round goal there")}
          className="w-28"
          value={goal}
          currency={currency}
          onCommit={setGoal}
        />
        <TextField
          label={say("Close enough, % off the goal")}
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
            {say("Type")} <strong>{makersMoney(found.base, table.base)}</strong>
            {say(". Over {count} days shoppers were shown at most", { count: found.shown.length })}{" "}
            <strong>{(found.farthest * 100).toFixed(2)} %</strong>{" "}
            {say("beside {money};", { money: makersMoney(read.minor, currency) })}{" "}
            <strong className={found.beyond > 0 ? "text-warning" : ""}>
              {found.beyond === 1 ? say("one day") : say("{beyond} days", { beyond: found.beyond })}
            </strong>{" "}
            {say("beyond {percent} %.", { percent })}
          </p>
          <HistoryChart
            name={say("Shown for {money}", { money: makersMoney(found.base, table.base) })}
            currency={currency}
            shown={found.shown}
            goal={read.minor}
          />
        </>
      )}
    </section>
  );
}
