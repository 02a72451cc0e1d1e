import { useContext, useState } from "react";
import { Link } from "wouter";
import { acceptedReason, causeOf, type Finding } from "../../../core/checks/finding.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { arrowsInList } from "../../fields/arrow-keys.ts";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { Tabs } from "../../fields/tabs.tsx";
import { useHeldOrder } from "../../fields/use-held-order.ts";
import { say } from "../../language/say.ts";
import { fieldAddress } from "../../state/field-address.ts";
import { accept, FindingLine, FindingsContext, reopen } from "../../state/findings-context.tsx";
import { useLooked } from "../../state/quote-context.ts";
import type { ChecksState } from "../../state/use-checks.ts";
import { useDraft } from "../../state/use-draft.ts";
import { useSelected } from "../../state/use-selected.ts";
import { EdgeWalk } from "./edge-walk.tsx";
import { SamplesView } from "./samples-view.tsx";

const TABS = [
  { id: "findings", name: phrase("Findings") },
  { id: "samples", name: phrase("Sample carts") },
  { id: "edges", name: phrase("Edge walk") },
] as const;

/** What is wrong or risky, what sample carts expect, and what happens at every edge of an offer. */
export function ChecksView() {
  const state = useDraft();
  const { checks } = useContext(FindingsContext);
  const { request, quote } = useLooked();
  const { plan, compiled } = state;
  const [selected, select] = useSelected("checks");
  if (!plan || !compiled) return null;
  const tab = TABS.find(({ id }) => selected === id || selected?.startsWith(`${id}/`))?.id ?? "findings";
  return (
    <div className="mx-auto max-w-[1200px]">
      <SectionHeading className="sr-only">{say("Checks")}</SectionHeading>
      <Tabs name={say("Checks")} tabs={TABS} current={tab} onTab={select}>
        {checks.progress && (
          <span className="ml-auto flex items-center gap-2 pb-1 text-[13px] text-quiet">
            <progress
              className="progress progress-primary w-28"
              aria-label={say("Checks run")}
              value={checks.progress.done}
              max={checks.progress.of}
            />
            {say("{done} of {of}", { done: checks.progress.done, of: checks.progress.of })}
            <button type="button" className="btn btn-xs" onClick={checks.stop}>
              {say("Stop")}
            </button>
          </span>
        )}
      </Tabs>
      {checks.failure !== null && (
        <p role="alert" className="mb-3 text-warning">
          {say("The checks could not be run: {failure}. They are tried again.", { failure: checks.failure })}
        </p>
      )}
      {tab === "findings" && <Findings plan={plan} checks={checks} />}
      {tab === "samples" && <SamplesView compiled={compiled} request={request} quote={quote} />}
      {tab === "edges" && (
        <EdgePages
          compiled={compiled}
          plan={plan}
          at={Date.parse(request.at)}
          chosen={selected?.split("/")[1]}
          onChoose={(id) => select(`edges/${id}`)}
        />
      )}
    </div>
  );
}

const ORDER = { wrong: 0, risky: 1, odd: 2 } as const;

function Findings({ plan, checks }: { plan: Plan; checks: ChecksState }) {
  const { findings } = checks;
  const accepted = plan.store.accepted ?? [];
  const open = (findings ?? [])
    .filter((finding) => acceptedReason(finding, accepted) === undefined)
    .sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);
  const byCause = new Map(open.map((finding) => [causeOf(finding), finding]));
  const { order, holding } = useHeldOrder([...byCause.keys()]);
  if (!findings || (findings.length === 0 && !checks.isWhole))
    return checks.failure === null ? <p className="text-quiet">{say("Looking through the plan…")}</p> : null;
  const letBe = findings.filter((finding) => acceptedReason(finding, accepted) !== undefined);
  return (
    <>
      {open.length === 0 && (
        <p className="border border-base-300 bg-base-100 p-6">
          {say("Nothing was found that is wrong, risky or odd.")}
        </p>
      )}
      <ul aria-label={say("Open findings")} aria-busy={!checks.isWhole} onKeyDown={arrowsInList} {...holding}>
        {order.map((cause) => {
          const finding = byCause.get(cause);
          return (
            finding && (
              <li key={cause} className="border-b border-base-300 py-2.5">
                <FindingLine finding={finding}>
                  <Link className="link" href={fieldAddress(finding.at)}>
                    {say("Go there")}
                  </Link>
                </FindingLine>
                <AcceptForm plan={plan} finding={finding} />
              </li>
            )
          );
        })}
      </ul>
      {letBe.length > 0 && (
        <details className="mt-4">
          <summary className="cursor-pointer text-quiet">
            {say("{count, plural, one {One finding accepted} other {# findings accepted}}", { count: letBe.length })}
          </summary>
          <ul aria-label={say("Findings accepted")}>
            {letBe.map((finding) => (
              <li key={causeOf(finding)} className="border-b border-base-300 py-2 text-quiet">
                {say(finding.sentence)} <em>{acceptedReason(finding, accepted)}</em>{" "}
                <button type="button" className="btn btn-xs" onClick={() => reopen(plan, finding)}>
                  {say("Take it up again")}
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function AcceptForm({ plan, finding }: { plan: Plan; finding: Finding }) {
  const [reason, setReason] = useState("");
  return (
    <details className="mt-1 text-[13px]">
      <summary className="cursor-pointer text-quiet">{say("Accept it")}</summary>
      <form
        className="mt-1 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (reason.trim() !== "") accept(plan, finding, reason.trim());
        }}
      >
        <label className="grid gap-0.5 text-quiet">
          {say("Why it may stay so")}
          <input
            className="input input-sm w-80"
            value={reason}
            maxLength={500}
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm" disabled={reason.trim() === ""}>
          {say("Accept it")}
        </button>
      </form>
    </details>
  );
}

type EdgePagesProps = {
  compiled: CompiledPlan;
  plan: Plan;
  at: number;
  chosen: string | undefined;
  onChoose: (id: string) => void;
};

function EdgePages({ compiled, plan, at, chosen, onChoose }: EdgePagesProps) {
  const offers = [...plan.offers].filter(({ on }) => on).sort(byPosition);
  const offer = offers.find(({ id }) => id === chosen) ?? offers[0];
  if (!offer) return <p className="text-quiet">{say("There is no offer to walk along.")}</p>;
  return (
    <>
      <div className="mb-2">
        <SelectField
          label={say("Along")}
          className="w-72"
          value={offer.id}
          choices={choicesOf(offers, ({ name }) => name)}
          onCommit={onChoose}
        />
      </div>
      <EdgeWalk compiled={compiled} offer={offer} at={at} />
    </>
  );
}
