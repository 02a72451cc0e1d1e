import { useMemo } from "react";
import type { Climb } from "../../../core/climb/interval.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import { LatestInWorker } from "../../state/latest-in-worker.ts";
import { planSender } from "../../state/plan-patch.ts";
import { useLatestInWorker } from "../../state/use-latest-in-worker.ts";
import type { ClimbWorker } from "./climb-worker.ts";

type Job = { readonly plan: Plan; readonly request: QuoteRequest; readonly to: number };

/** Null where nobody delivers. */
type Drawn = { readonly climb: Climb | null };

/** A worker that draws climbs and holds the plan of the last. */
function climbing(): LatestInWorker<ClimbWorker, Job, Drawn> {
  const patchFor = planSender();
  return new LatestInWorker({
    start: () => new Worker(new URL("./climb-worker.ts", import.meta.url), { type: "module" }),
    answer: async (remote, { plan, request, to }) => {
      await remote.hold(patchFor(remote, plan));
      return { climb: await remote.climb(request, to) };
    },
  });
}

/** One for each of the two climbs that can be side by side; started when it is first wanted, and kept. */
const CLIMBING = { here: climbing(), beside: climbing() };

/** The climb of the newest plan and request, computed in a worker, and why it could not be while it could not. */
export function useClimb(
  which: keyof typeof CLIMBING,
  plan: Plan | null,
  request: QuoteRequest | null,
  to: number,
): { climb: Climb | null; failure: string | null } {
  const job = useMemo(() => (plan && request ? { plan, request, to } : null), [plan, request, to]);
  const { answer, failure } = useLatestInWorker(CLIMBING[which], job);
  return { climb: answer?.climb ?? null, failure };
}
