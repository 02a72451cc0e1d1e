import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { PastGoal } from "../../../core/evidence/past-goal.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { majorIn, minorUnits } from "../../../core/money/decimal.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { DayField } from "../../fields/day-field.tsx";
import { MoneyField } from "../../fields/money-field.tsx";
import { SaveCsv } from "../../fields/save-csv.tsx";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { TableOfThings } from "../../fields/table-of-things.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { problemWords } from "../../state/api.ts";
import { askAnew, EVIDENCE, evidenceApi, type PastGoals, pastGoals } from "../../state/evidence-api.ts";

/** The goals that markets have had: those that releases tell of, and those stated of the time before. */
export function PastGoalsEditor({ plan }: { plan: Plan }) {
  const client = useQueryClient();
  const { data } = useQuery(pastGoals);
  const state = useMutation({
    mutationFn: evidenceApi.stateGoals,
    onSuccess: async (goals: PastGoals) => {
      client.setQueryData([...EVIDENCE, "goals"], goals);
      await askAnew(client, "spread", "gain");
    },
  });
  if (!data) return null;
  const { stated, released } = data;
  const name = (id: string) => plan.markets.find((market) => market.id === id)?.name ?? id;
  const heads = [say("Market"), say("Goal"), say("From"), say("Until")];
  const rows = () => {
    const cells = [...released, ...stated].map(({ market, currency, goal, from, until }) => [
      name(market),
      currency,
      majorIn(goal, currency),
      from,
      until ?? "",
    ]);
    const [market = "", ...others] = heads;
    return [[market, say("Currency"), ...others], ...cells];
  };
  const row = (goal: PastGoal, action: React.ReactNode) => (
    <tr key={`${goal.market} ${goal.currency} ${goal.goal} ${goal.from}`}>
      <th scope="row" className="font-normal">
        {name(goal.market)}
      </th>
      <td>{makersMoney(goal.goal, goal.currency)}</td>
      <td>{goal.from}</td>
      <td>{goal.until ?? say("still holds")}</td>
      <td className="text-right">{action}</td>
    </tr>
  );
  return (
    <section aria-label={say("Goals that there were")}>
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="text-[15px] font-bold">{say("Goals for free delivery that there were")}</h2>
        <SaveCsv download="past-goals.csv" rows={rows} />
      </div>
      <p className="mb-1 max-w-[75ch] text-[13px] text-quiet">
        {say(
          "By them it is told which peaks a goal has made, and how many shoppers go for one. Releases tell of theirs by themselves; state those of the time before.",
        )}
      </p>
      <TableOfThings label={say("Goals that there were")} heads={heads}>
        {released.map((goal) => row(goal, <span className="text-[13px] text-quiet">{say("by a release")}</span>))}
        {stated.map((goal) =>
          row(
            goal,
            <button
              type="button"
              className="btn btn-xs"
              aria-label={say("Forget {goal} from {from}", {
                goal: makersMoney(goal.goal, goal.currency),
                from: goal.from,
              })}
              onClick={() => state.mutate(stated.filter((one) => one !== goal))}
            >
              {say("Forget")}
            </button>,
          ),
        )}
      </TableOfThings>
      <NewGoal plan={plan} onGoal={(goal) => state.mutate([...stated, goal])} />
      {state.error && (
        <p role="alert" className="text-warning">
          {problemWords(state.error)}
        </p>
      )}
    </section>
  );
}

function NewGoal({ plan, onGoal }: { plan: Plan; onGoal: (goal: PastGoal) => void }) {
  const [market, setMarket] = useState(plan.markets[0]?.id ?? "");
  const currencies = plan.markets.find(({ id }) => id === market)?.currencies ?? [];
  const [chosen, setChosen] = useState("");
  const currency = currencies.find((code) => code === chosen) ?? currencies[0] ?? "EUR";
  const [amount, setAmount] = useState("");
  const [from, setFrom] = useState("");
  const [until, setUntil] = useState("");
  const read = minorUnits(amount, exponentOf(currency) ?? 2);
  const goal = "minor" in read ? read.minor : null;
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-2"
      aria-label={say("A goal that there was")}
      onSubmit={(event) => {
        event.preventDefault();
        if (goal === null || from === "") return;
        onGoal({ market, currency, goal, from, until: until === "" ? null : until });
        setAmount("");
        setFrom("");
        setUntil("");
      }}
    >
      <SelectField
        label={say("Market")}
        value={market}
        choices={choicesOf(plan.markets, ({ name }) => name)}
        onCommit={setMarket}
      />
      {currencies.length > 1 && (
        <SelectField
          label={say("Currency")}
          value={currency}
          choices={Object.fromEntries(currencies.map((code) => [code, code]))}
          onCommit={setChosen}
        />
      )}
      <MoneyField
        label={say("Goal, {currency}", { currency })}
        value={amount}
        currency={currency}
        className="w-28"
        onCommit={setAmount}
        onEmpty={() => setAmount("")}
      />
      <DayField
        label={say("From")}
        className="w-32"
        value={from}
        leaf="rates/days/date"
        before={until === "" ? undefined : until}
        onCommit={setFrom}
      />
      <DayField
        label={say("Until")}
        className="w-32"
        value={until}
        leaf="rates/days/date"
        after={from === "" ? undefined : from}
        onCommit={setUntil}
        onEmpty={() => setUntil("")}
      />
      <button type="submit" className="btn btn-sm" disabled={goal === null || from === ""}>
        {say("State it")}
      </button>
    </form>
  );
}
