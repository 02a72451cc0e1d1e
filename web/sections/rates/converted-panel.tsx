import { useMemo, useState } from "react";
import { stepWords } from "../../../core/explain/offer-sentence.ts";
import { amountOf } from "../../../core/measures/measure-spec.ts";
import { convertedOverTime } from "../../../core/money/drift.ts";
import type { RateTable } from "../../../core/money/rates.ts";
import { goalOf } from "../../../core/offers/trigger.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { columnsOf } from "../../editors/amounts/columns.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { HistoryChart } from "./history-chart.tsx";

/** Goals that are converted, and the range shoppers would have seen of each over the table's days. */
export function ConvertedPanel({ plan, table }: { plan: Plan; table: RateTable }) {
  const [chosen, setChosen] = useState(0);
  const goals = useMemo(
    () =>
      plan.offers.flatMap((offer) =>
        offer.steps.flatMap((step) => {
          const goal = goalOf(step.trigger);
          const amount = goal && amountOf(goal.at);
          if (!amount) return [];
          return columnsOf(plan, offer.zones).flatMap(({ market, currency }) => {
            const shown = convertedOverTime(amount, table, { zone: null, market: market.id, currency });
            const [first] = shown;
            if (!first) return [];
            const figures = shown.map(({ minor }) => minor);
            return [
              {
                name: `${offer.name}: ${say(stepWords(plan, step))}, ${market.name}`,
                currency,
                shown,
                least: Math.min(...figures),
                most: Math.max(...figures),
                changes: figures.filter((minor, i) => i > 0 && minor !== figures[i - 1]).length,
              },
            ];
          });
        }),
      ),
    [plan, table],
  );
  if (goals.length === 0) return null;
  const current = goals[chosen] ?? goals[0];
  return (
    <section aria-label={say("Converted goals")}>
      <h2 className="mb-1 font-semibold">{say("Converted goals, as shoppers would have seen them")}</h2>
      <div className="overflow-x-auto">
        <table className="table table-sm text-[14px] [&_td]:text-[14px]">
          <thead>
            <tr className="text-[13px] text-quiet">
              <th scope="col">{say("Goal")}</th>
              <th scope="col" className="text-right">
                {say("Lowest")}
              </th>
              <th scope="col" className="text-right">
                {say("Highest")}
              </th>
              <th scope="col" className="text-right">
                {say("Changes")}
              </th>
            </tr>
          </thead>
          <tbody>
            {goals.map(({ name, currency, least, most, changes }, i) => (
              <tr key={name} className={i === chosen ? "bg-base-100" : ""}>
                <th scope="row" className="font-normal">
                  <button
                    type="button"
                    className="cursor-pointer text-left hover:underline"
                    onClick={() => setChosen(i)}
                  >
                    {name}
                  </button>
                </th>
                <td className="text-right">{makersMoney(least, currency)}</td>
                <td className="text-right">{makersMoney(most, currency)}</td>
                <td className="text-right">{changes === 0 ? "none" : changes}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {current && <HistoryChart name={current.name} currency={current.currency} shown={current.shown} goal={null} />}
    </section>
  );
}
