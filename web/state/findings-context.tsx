import { createContext, type ReactNode, useContext } from "react";
import { acceptedReason, causeOf, type Finding } from "../../core/checks/finding.ts";
import { phrase } from "../../core/phrases/phrase.ts";
import { type EntityKind, STORE_ID } from "../../core/plan/entities.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { say } from "../language/say.ts";
import type { ChecksState } from "./use-checks.ts";
import { draftStore } from "./use-draft.ts";

/** The search for findings of the plan on screen, and how one is shown in the Shopper view. */
export type FindingsShown = {
  /** What was found, and how the search goes. */
  readonly checks: ChecksState;
  readonly plan: Plan | null;
  readonly show: (witness: QuoteRequest) => void;
};

export const FindingsContext = createContext<FindingsShown>({
  checks: { findings: null, isWhole: false, progress: null, failure: null, stop: () => {} },
  plan: null,
  show: () => {},
});

const NONE: readonly Finding[] = [];

/** Findings that nobody has accepted. */
export function useOpenFindings(): readonly Finding[] {
  const { checks, plan } = useContext(FindingsContext);
  return (checks.findings ?? NONE).filter(
    (finding) => acceptedReason(finding, plan?.store.accepted ?? []) === undefined,
  );
}

/** What is wrong with one entity, beside it. */
export function FindingsBeside({ kind, id }: { kind: EntityKind; id: string }) {
  const findings = useOpenFindings().filter(({ at }) => at.kind === kind && at.id === id);
  if (findings.length === 0) return null;
  return (
    <ul aria-label={say("Findings")} className="mt-2 grid gap-1 border-l-2 border-warning pl-3 text-[13px]">
      {findings.map((finding) => (
        <li key={causeOf(finding)}>
          <FindingLine finding={finding} />
        </li>
      ))}
    </ul>
  );
}

const SEVERITIES = { wrong: phrase("Wrong"), risky: phrase("Risky"), odd: phrase("Worth a look") } as const;

/** One finding: what is the matter, show me, mend it. */
export function FindingLine({ finding, children }: { finding: Finding; children?: ReactNode }) {
  const { show } = useContext(FindingsContext);
  const { severity, sentence, witness, fix } = finding;
  return (
    <>
      <strong className={severity === "odd" ? "text-quiet" : "text-warning"}>{say(SEVERITIES[severity])}.</strong>{" "}
      {say(sentence)}
      <span className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px] empty:hidden">
        {witness && (
          <button type="button" className="btn btn-xs" onClick={() => show(witness)}>
            {say("Show me")}
          </button>
        )}
        {fix && (
          <button type="button" className="btn btn-xs" onClick={() => draftStore.commit(...fix.changes)}>
            {say(fix.words)}
          </button>
        )}
        {children}
      </span>
    </>
  );
}

/** Lets a finding be, with the reason; it comes back when its cause is another. */
export function accept(plan: Plan, finding: Finding, reason: string): void {
  const { code, at } = finding;
  const others = (plan.store.accepted ?? []).filter(
    (one) => one.code !== code || one.id !== at.id || one.cause !== causeOf(finding),
  );
  const accepted = [...others, { code, kind: at.kind, id: at.id, cause: causeOf(finding), reason }];
  draftStore.commit({ kind: "store", id: STORE_ID, body: { ...plan.store, accepted } });
}

/** Takes an accepted finding up again. */
export function reopen(plan: Plan, finding: Finding): void {
  const accepted = (plan.store.accepted ?? []).filter((one) => one.cause !== causeOf(finding));
  const { accepted: _, ...store } = plan.store;
  draftStore.commit({ kind: "store", id: STORE_ID, body: accepted.length > 0 ? { ...store, accepted } : store });
}
