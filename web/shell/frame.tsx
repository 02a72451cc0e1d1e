import { lazy, Suspense, useCallback, useDeferredValue, useMemo } from "react";
import { acceptedReason, type Finding } from "../../core/checks/finding.ts";
import type { Phrase } from "../../core/phrases/phrase.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { UnitsContext } from "../fields/units-context.ts";
import { say } from "../language/say.ts";
import { isInMenu, type Section } from "../names/sections.ts";
import { unitsOf } from "../names/units.ts";
import { ShopperView } from "../preview/shopper/shopper-view.tsx";
import type { DraftState } from "../state/draft-store.ts";
import { FindingsContext } from "../state/findings-context.tsx";
import { useLooked } from "../state/quote-context.ts";
import { useSignedOut } from "../state/signed-out.ts";
import { useStandpoint } from "../state/standpoint-context.ts";
import { useChecks } from "../state/use-checks.ts";
import { draftStore, useDraft } from "../state/use-draft.ts";
import { useStored } from "../state/use-stored.ts";
import { FaultBoundary } from "./fault-boundary.tsx";
import { Header } from "./header.tsx";
import { Rail } from "./rail.tsx";
import { VisitedSections } from "./visited-sections.tsx";

// What few sessions ever see is loaded when it is wanted.
const PlanFaults = lazy(() => import("./plan-faults.tsx").then((module) => ({ default: module.PlanFaults })));
const ConflictBar = lazy(() => import("./conflict-bar.tsx").then((module) => ({ default: module.ConflictBar })));
const SignedOutBar = lazy(() => import("./signed-out-bar.tsx").then((module) => ({ default: module.SignedOutBar })));
const StartAPlan = lazy(() =>
  import("../sections/plan-file/start-a-plan.tsx").then((module) => ({ default: module.StartAPlan })),
);

const NO_FINDINGS: readonly Finding[] = [];
const isBoolean = (value: unknown): value is boolean => typeof value === "boolean";

type Props = {
  section: Section;
  left: Readonly<Partial<Record<Section, string>>>;
  wayOut: { readonly words: Phrase; readonly take: () => void };
};

const hasFaults = ({ planProblems, draft }: DraftState) =>
  planProblems.length > 0 || (draft?.unreadable ?? []).length > 0;

/** Standpoint above, rail on the left, the section in the middle, Shopper view on the right. */
export function Frame({ section, left, wayOut }: Props) {
  const { plan, draft } = useDraft();
  // What is typed is drawn first, and what a shopper sees of it then.
  const seen = useDeferredValue(plan);
  const { at, compiled, request, setWitness } = useLooked();
  const [shopperOpen, setShopperOpen] = useStored("summant.shopper-open", window.innerWidth > 900, isBoolean);
  const checks = useChecks(plan, Date.parse(at), section === "checks" || section === "release");
  const show = useCallback(
    (next: QuoteRequest) => {
      setWitness(next);
      setShopperOpen(true);
    },
    [setWitness, setShopperOpen],
  );
  const shown = useMemo(() => ({ checks, plan, show }), [checks, plan, show]);
  const open = checks.findings?.filter(
    (finding) => finding.severity !== "odd" && acceptedReason(finding, plan?.store.accepted ?? []) === undefined,
  );
  return (
    <UnitsContext value={plan ? unitsOf(plan) : "metric"}>
      <FindingsContext value={shown}>
        <div className="grid h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)] overflow-hidden print:block print:h-auto print:overflow-visible">
          <SkipToWork />
          <Header
            isReleasing={section === "release"}
            shopperOpen={shopperOpen}
            onShopper={setShopperOpen}
            wayOut={wayOut}
          />
          <div className="relative flex min-h-0">
            <Rail
              section={section}
              left={left}
              store={plan?.store.name ?? null}
              changes={draft?.changes.length ?? 0}
              findings={open ?? NO_FINDINGS}
            />
            <Middle section={section} />
            {shopperOpen && compiled && seen && (
              <FaultBoundary what={say("The Shopper view")} watch={[compiled, request, seen]} wayOut={wayOut}>
                <ShopperView plan={seen} />
              </FaultBoundary>
            )}
          </div>
        </div>
      </FindingsContext>
    </UnitsContext>
  );
}

/** Past the standpoint and the sections, for who goes by Tab: seen while it has the focus. */
const SkipToWork = () => (
  <button
    type="button"
    className="btn btn-sm sr-only focus:not-sr-only focus:absolute focus:top-2 focus:left-2 focus:z-30"
    onClick={() => document.getElementById("work")?.focus()}
  >
    {say("Skip to the work")}
  </button>
);

/** What needs a word before anything else, and the section. */
function Middle({ section }: { section: Section }) {
  const state = useDraft();
  const { standpoint, market } = useStandpoint();
  const { request } = useLooked();
  const { plan, draft, conflict, loadError } = state;
  const isSignedOut = useSignedOut();
  return (
    <main
      id="work"
      tabIndex={-1}
      className="relative min-w-0 flex-1 overflow-y-auto px-5 py-4 outline-none print:overflow-visible print:p-0"
    >
      <Suspense>{isSignedOut && <SignedOutBar />}</Suspense>
      <Suspense>{conflict && <ConflictBar conflict={conflict} plan={plan} market={market} />}</Suspense>
      {loadError && (
        <p role="alert" className="alert alert-error mb-4">
          {say("The plan could not be loaded: {problem}.", { problem: loadError })}
          <button type="button" className="btn btn-sm" onClick={() => void draftStore.load()}>
            {say("Try again")}
          </button>
        </p>
      )}
      <Suspense>{hasFaults(state) && <PlanFaults state={state} />}</Suspense>
      {!draft && !loadError && <p className="text-quiet">{say("Loading the plan…")}</p>}
      <Suspense>
        {draft && !plan && !isInMenu(section) && <StartAPlan state={state} currency={standpoint.currency} />}
      </Suspense>
      {(plan || isInMenu(section)) && <VisitedSections section={section} watch={[plan, request]} />}
    </main>
  );
}
