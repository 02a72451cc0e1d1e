import { useQuery } from "@tanstack/react-query";
import equal from "fast-deep-equal";
import { useState } from "react";
import type { Cluster } from "../../../core/evidence/clusters.ts";
import { TOTAL } from "../../../core/evidence/order-facts.ts";
import { type Replayed, WHY_NOT_PRICED, type WhyCount } from "../../../core/evidence/replayed.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { say } from "../../language/say.ts";
import { problemWords } from "../../state/api.ts";
import { isDue, peaksOfOrders } from "../../state/evidence-api.ts";
import { useDraft } from "../../state/use-draft.ts";
import { useReplay } from "../../state/use-replay.ts";
import { ChangedOrders } from "./changed-orders.tsx";
import { countingsOf } from "./countings.ts";
import type { Evidence } from "./evidence.ts";
import { ReplayTable } from "./replay-table.tsx";
import { ReplayedOrders } from "./replayed-orders.tsx";

/** What the draft would have meant for past orders: exact, each priced anew as its quote would be. */
export function ReplayView({ plan, filter }: Evidence) {
  const [atItsOwnMoment, setAtItsOwnMoment] = useState(false);
  const [counted] = countingsOf(plan, filter);
  const { data: peaks, isPlaceholderData } = useQuery({
    ...peaksOfOrders({ filter, counting: counted?.counting ?? TOTAL }),
    enabled: counted !== undefined,
  });
  // Those of other orders, shown before, tell these apart by nothing.
  const clusters: readonly Cluster[] | null = peaks && !isDue(peaks) && !isPlaceholderData ? peaks.clusters : null;
  const asked = {
    ...{ filter, counting: counted?.counting ?? TOTAL, atItsOwnMoment },
    // A cluster ends where the next begins.
    edges: (clusters ?? []).slice(1).map(({ from }) => from),
  };
  const { job, state: latest, failure, start, stop } = useReplay(asked);
  // What was told of other orders is not told of these.
  const [begun, setBegun] = useState<{ asked: typeof asked; clusters: readonly Cluster[] } | null>(null);
  const state = begun && equal(begun.asked, asked) ? latest : null;
  const { unsaved } = useDraft();
  const isRunning = state?.state === "running";
  const begin = () => {
    setBegun({ asked, clusters: clusters ?? [] });
    start();
  };
  return (
    <>
      <p className="max-w-[75ch] text-quiet">
        {say(
          "Every order is priced anew by the draft as it is saved, exactly as a shop would be answered. Shoppers are taken as acting as they did: what they would have done is not known.",
        )}
      </p>
      <div className="my-3 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-neutral btn-sm"
          disabled={isRunning || unsaved > 0 || clusters === null}
          onClick={begin}
        >
          {say("Price the orders anew")}
        </button>
        <CheckField
          label={say("Each offer only at its own moment")}
          checked={atItsOwnMoment}
          onCommit={setAtItsOwnMoment}
        />
        {state?.state === "running" && (
          <>
            <progress
              className="progress progress-primary w-48"
              aria-label={say("Orders priced")}
              value={state.done}
              max={state.of}
            />
            <button type="button" className="btn btn-sm" onClick={stop}>
              {say("Stop")}
            </button>
          </>
        )}
      </div>
      {failure && (
        <p role="alert" className="text-warning">
          {say("The orders could not be priced: {problem}.", { problem: problemWords(failure) })}
        </p>
      )}
      {state?.state === "failed" && (
        <p role="alert" className="text-warning">
          {say("The orders could not be priced; the server's log says why.")}
        </p>
      )}
      {state?.state === "stopped" && <p role="status">{say("Stopped. Nothing is changed by it.")}</p>}
      {state?.state === "done" && job !== null && (
        <Result
          plan={plan}
          job={job}
          replayed={state.replayed}
          release={state.beside}
          clusters={begun?.clusters ?? []}
          currency={filter.currency}
        />
      )}
    </>
  );
}

type ResultProps = {
  plan: Plan;
  job: string;
  replayed: Replayed;
  release: number | null;
  clusters: readonly Cluster[];
  currency: string;
};

function Result({ plan, job, replayed, release, clusters, currency }: ResultProps) {
  const { orders, rows, limitsIgnored, cannotBeTold, notToBeHad, changedMost, cancelled } = replayed;
  const priced = rows.reduce((sum, { now }) => sum + now.orders, 0);
  return (
    <section aria-label={say("What the draft would have meant")}>
      <p className="font-semibold">
        {say("{priced, number} of {count, plural, one {one order} other {# orders}} priced, exactly.", {
          priced,
          count: orders,
        })}
      </p>
      <ul className="mb-3 text-[14px] text-quiet">
        {cancelled > 0 && (
          <li>
            {say("{count, plural, one {One cancelled order is} other {# cancelled orders are}} left out.", {
              count: cancelled,
            })}
          </li>
        )}
        {limitsIgnored > 0 && (
          <li>
            {say(
              "{count, plural, one {Of one order} other {Of # orders}} it is not known how often limited offers had been used: no limit stands in their way.",
              { count: limitsIgnored },
            )}
          </li>
        )}
        <Reasons plan={plan} job={job} what={say("Cannot be told")} counts={cannotBeTold} />
        <Reasons plan={plan} job={job} what={say("Could not have been chosen")} counts={notToBeHad} />
      </ul>
      {rows.length > 0 && (
        <ReplayTable plan={plan} job={job} rows={rows} release={release} clusters={clusters} currency={currency} />
      )}
      {changedMost.length > 0 && <ChangedOrders plan={plan} orders={changedMost} hasRelease={release !== null} />}
      {rows.length > 0 && changedMost.length === 0 && (
        <p className="mt-3">
          {release === null
            ? say("No order would have paid anything else.")
            : say("No order would pay anything else than by release {number}.", { number: release })}
        </p>
      )}
      {rows.length === 0 && <p>{say("No order could be priced, so there is no figure to show.")}</p>}
    </section>
  );
}

type ReasonsProps = { plan: Plan; job: string; what: string; counts: readonly WhyCount[] };

/** How many orders have no price for which reasons; each opens to them. */
function Reasons({ plan, job, what, counts }: ReasonsProps) {
  const [opened, setOpened] = useState<string | null>(null);
  return counts.map(({ why, orders }) => {
    const words = say("{what}: {orders, number}, {why}", { what, orders, why: say(WHY_NOT_PRICED[why]) });
    return (
      <li key={why}>
        <button
          type="button"
          className="link"
          aria-expanded={opened === why}
          onClick={() => setOpened(opened === why ? null : why)}
        >
          {words}
        </button>
        {opened === why && (
          <ReplayedOrders plan={plan} job={job} pick={{ by: "why", is: why }} label={words} release={null} />
        )}
      </li>
    );
  });
}
