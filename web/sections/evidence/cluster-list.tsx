import { useState } from "react";
import type { Cluster } from "../../../core/evidence/clusters.ts";
import type { ValueCounting } from "../../../core/evidence/order-facts.ts";
import type { Proposal } from "../../../core/evidence/proposals.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { ToldSpread } from "../../../server/evidence/told-spread.ts";
import type { OrderFilter } from "../../../server/orders/order-filter.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { draftStore } from "../../state/use-draft.ts";
import { type GoalHome, goalHomes } from "./goal-into-draft.ts";
import { OpenOrdersWorth } from "./orders-worth.tsx";

type Props = { spread: ToldSpread; plan: Plan; filter: OrderFilter; counting: ValueCounting };

/** Each cluster with the goal that it is worth, which goes into the draft in one action. */
export function ClusterList({ spread: { clusters, proposals }, plan, filter, counting }: Props) {
  return (
    <section aria-label={say("Peaks")} className="mt-4">
      <h2 className="text-[15px] font-bold">{say("Peaks, and the goals that they are worth")}</h2>
      {clusters.length === 0 && (
        <p className="mt-1 text-quiet">{say("There are too few orders to tell a peak from chance.")}</p>
      )}
      {filter.market === undefined && clusters.length > 0 && (
        <p className="mt-1 text-quiet">{say("Choose one market to put a goal into its draft.")}</p>
      )}
      <ol className="mt-1 grid gap-2">
        {clusters.map((cluster, i) => {
          const proposal = proposals.find((one) => one.cluster === i);
          return (
            <li key={cluster.peak} className="border border-base-300 bg-base-100 p-3">
              <ClusterWords cluster={cluster} currency={filter.currency} />
              <OpenOrdersWorth
                {...{ plan, filter, counting }}
                from={cluster.from}
                below={cluster.to + 1}
                label={say("{from} to {to}", {
                  from: makersMoney(cluster.from, filter.currency),
                  to: makersMoney(cluster.to, filter.currency),
                })}
                words={say("The orders from {from} to {to}", {
                  from: makersMoney(cluster.from, filter.currency),
                  to: makersMoney(cluster.to, filter.currency),
                })}
              />
              {proposal && <ProposalWords proposal={proposal} currency={filter.currency} />}
              {proposal && filter.market !== undefined && (
                <IntoDraft
                  homes={goalHomes(plan, { market: filter.market, currency: filter.currency, counting }, proposal.goal)}
                  goal={makersMoney(proposal.goal, filter.currency)}
                />
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function ClusterWords({ cluster, currency }: { cluster: Cluster; currency: string }) {
  const { peak, from, to, orders, share, madeBy } = cluster;
  const money = (minor: number) => makersMoney(minor, currency);
  return (
    <p>
      <strong>{say("{from} to {to}", { from: money(from), to: money(to) })}</strong>{" "}
      {say("{share} % of the orders ({orders, number}); most are worth about {peak}.", {
        share: Math.round(share * 100),
        orders,
        peak: money(peak),
      })}{" "}
      {madeBy !== null &&
        say(
          "It lies just above {goal}, a goal that was in force: shoppers came here for it. It is no ground for another.",
          {
            goal: money(madeBy),
          },
        )}
    </p>
  );
}

/** Why this goal, in words. */
function ProposalWords({ proposal, currency }: { proposal: Proposal; currency: string }) {
  const { goal, justBelow, pieces, reaching, givenAway, inNext } = proposal;
  const money = (minor: number) => makersMoney(minor, currency);
  return (
    <p className="mt-1 text-[14px] text-quiet">
      <strong className="text-base-content">{say("A goal of {goal}", { goal: money(goal) })}</strong>{" "}
      {say(
        "lies above its upper end. {count, plural, one {One order lies} other {# orders lie}} within a fifth below it.",
        {
          count: justBelow,
        },
      )}{" "}
      {pieces !== null &&
        say("From the peak it takes {count, plural, one {one piece} other {# pieces}} of the cheapest goods.", {
          count: pieces,
        })}{" "}
      {say(
        "If nobody changed, {count, plural, one {one order} other {# orders}} would reach it, for whose delivery {amount} was charged.",
        { count: reaching, amount: money(givenAway) },
      )}{" "}
      {inNext &&
        say("It lies within the next peak: most of what is given away would go to shoppers who spend it anyway.")}
    </p>
  );
}

/** Where the goal is put, and the button that does it. */
function IntoDraft({ homes, goal }: { homes: readonly GoalHome[]; goal: string }) {
  const [chosen, setChosen] = useState("");
  const [done, setDone] = useState<string | null>(null);
  const home = homes.find(({ id }) => id === chosen) ?? homes[0];
  if (!home) return null;
  return (
    <div className="mt-2 flex flex-wrap items-end gap-2">
      <SelectField
        label={say("Put {goal} into the draft", { goal })}
        value={home.id}
        choices={Object.fromEntries(homes.map(({ id, words }) => [id, words]))}
        onCommit={(id) => {
          setChosen(id);
          setDone(null);
        }}
      />
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => {
          draftStore.commit({ kind: "offer", id: home.body.id, body: home.body });
          setDone(home.done);
        }}
      >
        {say("Put it in")}
      </button>
      {done !== null && (
        <span role="status" className="pb-1.5 text-[13px] text-quiet">
          {done}
        </span>
      )}
    </div>
  );
}
