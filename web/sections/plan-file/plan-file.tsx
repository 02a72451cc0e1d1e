import { useState } from "react";
import type { Market } from "../../../core/places/market.ts";
import { planOf } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { FileField } from "../../fields/file-field.tsx";
import { say } from "../../language/say.ts";
import { ApiError, api, errorWords } from "../../state/api.ts";
import type { DraftState } from "../../state/draft-store.ts";
import { draftStore } from "../../state/use-draft.ts";
import { type Difference, differencesBetween, PlanDifferences } from "../release/plan-differences.tsx";

type Props = { state: DraftState; market: Market | null; currency: string };

/** What a file would change, and its whole plan, which names what is new in it. */
type Compared = { readonly differences: readonly Difference[]; readonly file: Plan | null };

/** The demo's plan ships with the app; it is loaded when it is asked for. */
const demoPlan = async (): Promise<string> => (await import("../../../demo/plan.json?raw")).default;

/** The whole plan as a file: out as JSON; in after it was checked, as a list of changes to look at first. */
export function PlanFile({ state, market, currency }: Props) {
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [compared, setCompared] = useState<Compared | null>(null);
  const { draft, plan } = state;
  if (!draft) return null;
  const asFile = plan ? `${JSON.stringify(plan, null, 2)}\n` : "";
  const read = async (text: () => Promise<string>) => {
    setProblems([]);
    setCompared(null);
    try {
      const { entities } = await api.checkPlan(await text());
      setCompared({ differences: differencesBetween(draft.entities, entities), file: planOf(entities) });
    } catch (error) {
      if (error instanceof ApiError) setProblems(error.lines.length > 0 ? error.lines : [errorWords(error)]);
      else throw error;
    }
  };
  const { differences, file = null } = compared ?? {};
  const shown = file ?? plan;
  return (
    <section aria-label={say("The plan as a whole")} className="mt-6 border border-base-300 bg-base-100 p-4">
      <h2 className="mb-2 font-semibold">{say("The plan as a whole")}</h2>
      <p className="mb-2 text-[13px] text-quiet">
        {say("What it would change is shown first, and can be undone. Shops get nothing of it before it is released.")}
      </p>
      <div className="flex flex-wrap items-center gap-3">
        {plan && (
          <a
            className="btn btn-sm"
            download="plan.json"
            href={`data:application/json;charset=utf-8,${encodeURIComponent(asFile)}`}
          >
            {say("Save the draft as JSON")}
          </a>
        )}
        <FileField
          label={say("Read a plan")}
          accept="application/json,.json"
          onFile={(file) => void read(() => file.text())}
        />
        <button type="button" className="btn btn-sm" onClick={() => void read(demoPlan)}>
          {say("The demo store")}
        </button>
        {plan && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => setCompared({ differences: differencesBetween(draft.entities, []), file: null })}
          >
            {say("An empty store")}
          </button>
        )}
      </div>
      {problems.length > 0 && (
        <div role="alert" className="mt-3 text-warning">
          <p className="font-semibold">{say("This file was not taken:")}</p>
          <ul className="max-h-48 overflow-y-auto">
            {problems.slice(0, 20).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
            {problems.length > 20 && <li>{say("and {count} more", { count: problems.length - 20 })}</li>}
          </ul>
        </div>
      )}
      {differences && (
        <div className="mt-3">
          <p className="font-semibold">
            {differences.length === 0
              ? say("The draft says the same.")
              : say("{count, plural, one {One change} other {# changes}} to the draft:", { count: differences.length })}
          </p>
          {differences.length > 0 && shown && (
            <>
              <div className="my-2 max-h-64 overflow-y-auto border-l-2 border-base-300 pl-3">
                <PlanDifferences
                  differences={differences}
                  was={plan ?? shown}
                  now={shown}
                  market={market}
                  currency={currency}
                />
              </div>
              <button
                type="button"
                className="btn btn-neutral btn-sm"
                onClick={() => {
                  draftStore.commit(...differences.map(({ change }) => change));
                  setCompared(null);
                }}
              >
                {say("Take {count, plural, one {it} other {them all}}", { count: differences.length })}
              </button>
            </>
          )}
        </div>
      )}
    </section>
  );
}
