import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link } from "wouter";
import type { Market } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { errorWords } from "../../state/api.ts";
import { releaseAt, releaseList } from "../../state/server-queries.ts";
import { draftStore } from "../../state/use-draft.ts";
import { PlanDifferences, plansDiffer } from "./plan-differences.tsx";

type Props = { number: number; draft: Plan; market: Market | null; currency: string };

const DRAFT = "draft";

/** One release: saved as a file, compared with any other or the draft, made the draft again. */
export function OpenedRelease({ number, draft, market, currency }: Props) {
  const [against, setAgainst] = useState(DRAFT);
  const opened = useQuery(releaseAt(number));
  const other = useQuery({ ...releaseAt(Number(against)), enabled: against !== DRAFT });
  const releases = useQuery(releaseList);
  const plan = opened.data?.plan;
  const compared = against === DRAFT ? draft : other.data?.plan;
  const differences = useMemo(() => (plan && compared ? plansDiffer(plan, compared) : null), [plan, compared]);
  const others = (releases.data?.releases ?? []).filter((one) => one.number !== number);
  const failure = opened.error ?? other.error;
  return (
    <section aria-label={say("Release {number}", { number })} className="mt-6 border border-base-300 bg-base-100 p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="font-semibold">{say("Release {number}", { number })}</h2>
        <Link href="/release" className="link ml-auto text-[13px]">
          {say("Close it")}
        </Link>
      </div>
      {failure && (
        <p role="alert" className="mt-2 text-warning">
          {say("It could not be read: {message}.", { message: errorWords(failure) })}
        </p>
      )}
      {plan && (
        <>
          <p className="mt-1 text-[13px] text-quiet">
            {say("{options}, {offers} on, {zones} in {markets}. Checksum", {
              options: say("{count, plural, one {One delivery option} other {# delivery options}}", {
                count: plan.options.length,
              }),
              offers: say("{count, plural, one {One offer} other {# offers}}", {
                count: plan.offers.filter(({ on }) => on).length,
              }).toLowerCase(),
              zones: say("{count, plural, one {One zone} other {# zones}}", {
                count: plan.zones.length,
              }).toLowerCase(),
              markets: say("{count, plural, one {One market} other {# markets}}", {
                count: plan.markets.length,
              }).toLowerCase(),
            })}{" "}
            {opened.data?.release.checksum.slice(0, 12)}.
          </p>
          <div className="mt-3 flex flex-wrap items-end gap-3">
            <SelectField
              label={say("Compared with")}
              value={against}
              choices={{
                [DRAFT]: say("the draft"),
                ...Object.fromEntries(
                  others.map((one) => [String(one.number), say("release {number}", { number: one.number })]),
                ),
              }}
              onCommit={setAgainst}
            />
            <a
              className="btn btn-sm"
              download={`release-${number}.json`}
              href={`data:application/json;charset=utf-8,${encodeURIComponent(`${JSON.stringify(plan, null, 2)}\n`)}`}
            >
              {say("Save as JSON")}
            </a>
            <MakeDraft number={number} plan={plan} draft={draft} />
          </div>
        </>
      )}
      {differences && plan && compared && (
        <div className="mt-3">
          <p className="mb-2 font-semibold">
            {differences.length === 0
              ? say("{other, select, draft {The draft} other {Release {other}}} says the same.", { other: against })
              : say(
                  "{count, plural, one {One thing is} other {# things are}} otherwise in {other, select, draft {the draft} other {release {other}}}:",
                  { count: differences.length, other: against },
                )}
          </p>
          <PlanDifferences differences={differences} was={plan} now={compared} market={market} currency={currency} />
        </div>
      )}
    </section>
  );
}

/** The release as edits of the draft: one undo takes all of them back. */
function MakeDraft({ number, plan, draft }: { number: number; plan: Plan; draft: Plan }) {
  const edits = useMemo(() => plansDiffer(draft, plan), [draft, plan]);
  return (
    <button
      type="button"
      className="btn btn-sm"
      disabled={edits.length === 0}
      onClick={() => draftStore.commit(...edits.map(({ change }) => change))}
    >
      {say("Make the draft what release {number} was", { number })}
    </button>
  );
}
