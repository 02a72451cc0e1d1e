import { useQuery } from "@tanstack/react-query";
import type { PastOrder } from "../../../core/evidence/past-order.ts";
import { asRunning } from "../../../core/evidence/replay.ts";
import { whySentences } from "../../../core/explain/why-words.ts";
import type { Calendars } from "../../../core/places/location.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { quote } from "../../../core/quote/quote.ts";
import { problemPhrase } from "../../../core/schema/problem.ts";
import { compile } from "../../../core/tariff/compile.ts";
import { Loading } from "../../fields/loading.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { EVIDENCE, evidenceApi } from "../../state/evidence-api.ts";
import { useLooked } from "../../state/quote-context.ts";
import { releasedPlan } from "../../state/released-plan.ts";
import { useDraft } from "../../state/use-draft.ts";

/** Why a past order costs what it costs, by the release and by the draft, and a way to see both as its shopper would. */
export function OrderWhy({ order: number }: { order: string }) {
  const { plan, draft } = useDraft();
  const { setWitness } = useLooked();
  const { data, error } = useQuery({
    queryKey: [...EVIDENCE, "order", number],
    queryFn: () => evidenceApi.order(number),
  });
  if (error) return <NotLoaded error={error} />;
  if (!data || !plan) return <Loading />;
  const { order } = data;
  if (!("request" in order)) return <p>{say("No more is known of it than what it came to.")}</p>;
  const released = draft?.release ? releasedPlan(draft) : null;
  return (
    <section aria-label={say("Order {number}", { number })} className="p-1">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="font-semibold">{say("Order {number}", { number })}</h3>
        <span className="text-[13px] text-quiet">
          {order.request.at.slice(0, 10)},{" "}
          {say("charged {amount}", { amount: makersMoney(order.charged, order.request.currency) })}
        </span>
        <button type="button" className="btn btn-sm ml-auto" onClick={() => setWitness(order.request)}>
          {say("Look as this shopper")}
        </button>
      </div>
      <div className="mt-2 grid gap-3 sm:grid-cols-2">
        {released && (
          <Side head={say("By the release")} plan={released} calendars={draft?.calendars ?? {}} order={order} />
        )}
        <Side head={say("By the draft")} plan={plan} calendars={draft?.calendars ?? {}} order={order} />
      </div>
    </section>
  );
}

type SideProps = { head: string; plan: Plan; calendars: Calendars; order: PastOrder };

function Side({ head, plan, calendars, order: { request, option } }: SideProps) {
  const made = compile(asRunning(plan), calendars);
  const result = "problems" in made ? made : quote(made.compiled, request, { why: true, text: false });
  const lines =
    "problems" in result
      ? result.problems.map((problem) => say(problemPhrase(problem)))
      : (result.quote.why ?? []).flatMap((why) =>
          whySentences(plan, why, option, request.currency).map(({ text }) => say(text)),
        );
  return (
    <div>
      <h4 className="text-[13px] font-semibold">{head}</h4>
      <ul className="text-[14px]">
        {(lines.length > 0 ? lines : [say("it is not offered for a cart like this")]).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </div>
  );
}
