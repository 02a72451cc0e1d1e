import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { countingKey, TOTAL } from "../../../core/evidence/order-facts.ts";
import { holdsWithin } from "../../../core/evidence/past-goal.ts";
import type { ToldSpread } from "../../../server/evidence/told-spread.ts";
import type { OrderFilter } from "../../../server/orders/order-filter.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { Loading } from "../../fields/loading.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { SaveCsv } from "../../fields/save-csv.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { isDue, pastGoals, spreadOfOrders } from "../../state/evidence-api.ts";
import { ClusterList } from "./cluster-list.tsx";
import { countingsOf } from "./countings.ts";
import type { Evidence } from "./evidence.ts";
import { goalsInSight } from "./goals-in-sight.ts";
import { ReachList } from "./reach-list.tsx";
import { spreadCells } from "./spread-cells.ts";
import { SpreadChart } from "./spread-chart.tsx";
import { SpreadTable } from "./spread-table.tsx";

/** How order values are spread, its peaks, and the goals that they are worth. */
export function SpreadView({ plan, overview, filter }: Evidence) {
  const countings = countingsOf(plan, filter);
  const [chosen, setChosen] = useState("");
  const counted = countings.find(({ counting }) => countingKey(counting) === chosen) ?? countings[0];
  const [width, setWidth] = useState<number | null>(null);
  const [logarithmic, setLogarithmic] = useState(false);
  const { data: goals } = useQuery(pastGoals);
  const [first, last] = [filter.from ?? overview.first ?? "", filter.until ?? overview.last ?? ""];
  const inForce = [...(goals?.stated ?? []), ...(goals?.released ?? [])].filter(
    (goal) =>
      goal.currency === filter.currency &&
      (filter.market === undefined || goal.market === filter.market) &&
      holdsWithin(goal, first, last),
  );
  const asked = counted && {
    ...{ filter, counting: counted.counting, logarithmic },
    ...(width === null ? {} : { width }),
    goals: [...new Set(inForce.map(({ goal }) => goal))],
    drafted: [...new Set(goalsInSight(plan, filter).map(({ goal }) => goal))],
  };
  const { data, error } = useQuery({
    ...spreadOfOrders(asked ?? { filter, counting: TOTAL }),
    enabled: asked !== undefined && goals !== undefined,
  });
  if (error) return <NotLoaded error={error} />;
  if (!data || isDue(data) || !counted) return <Loading />;
  const money = (minor: number) => makersMoney(minor, filter.currency);
  return (
    <>
      <div className="mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <SelectField
          label={say("Counted as")}
          look="word"
          value={countingKey(counted.counting)}
          choices={Object.fromEntries(countings.map(({ counting, words }) => [countingKey(counting), words]))}
          onCommit={setChosen}
          className="w-auto max-w-96"
        />
        <SelectField
          label={say("Width of the bars")}
          look="word"
          value={width === null ? "" : String(width)}
          choices={{
            "": say("bars of {width}, by the data", { width: money(data.width) }),
            ...Object.fromEntries(
              widthsFor(data).map((one) => [String(one), say("bars of {width}", { width: money(one) })]),
            ),
          }}
          onCommit={(text) => setWidth(text === "" ? null : Number(text))}
        />
        <CheckField
          label={say("Logarithmic")}
          checked={logarithmic}
          onCommit={setLogarithmic}
          className="text-[13px]"
        />
        <SaveCsv download="spread.csv" rows={() => spreadCells(data, filter.currency)} />
      </div>
      <Told spread={data} filter={filter} />
      {data.orders > 0 && (
        <>
          <SpreadChart spread={data} goals={goalsInSight(plan, filter)} currency={filter.currency} plan={plan} />
          <SpreadTable spread={data} looked={{ plan, filter, counting: counted.counting }} />
          <ReachList reach={data.reach} looked={{ plan, filter, counting: counted.counting }} />
          <ClusterList spread={data} plan={plan} filter={filter} counting={counted.counting} />
        </>
      )}
    </>
  );
}

/** What the figures are made of, and what the mean hides. */
function Told({ spread, filter: { currency } }: { spread: ToldSpread; filter: OrderFilter }) {
  const { orders, uncounted, mean, median } = spread;
  return (
    <p className="mb-2 text-quiet">
      {orders === 0 ? (
        say("No order fits that.")
      ) : (
        <>
          {say(
            "{count, plural, one {One order} other {# orders}}, each counted as it was; cancelled ones are left out.",
            {
              count: orders,
            },
          )}{" "}
          {mean !== null &&
            median !== null &&
            say("The mean is {mean}, half are worth {median} or less.", {
              mean: makersMoney(mean, currency),
              median: makersMoney(median, currency),
            })}
        </>
      )}
      {uncounted > 0 && (
        <>
          {" "}
          {say(
            "{count, plural, one {Of one more} other {Of # more}} it cannot be told what they come to, counted so.",
            {
              count: uncounted,
            },
          )}
        </>
      )}
    </p>
  );
}

/** Round widths around the one that the data gives. */
function widthsFor({ width }: ToldSpread): number[] {
  const power = 10 ** Math.floor(Math.log10(width));
  const steps = [0.5, 1, 2, 5, 10, 20, 50].map((step) => Math.round(step * power)).filter((step) => step >= 1);
  return [...new Set(steps)];
}
