import { type Remote, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { Climb } from "../../../core/climb/interval.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import { answerOrFailure } from "../state/worker-call.ts";
import type { ClimbWorker } from "./climb-worker.ts";

type Job = { plan: Plan; request: QuoteRequest; to: number };

/** The climb of the newest plan and request, computed in a worker: one request under way, only the newest waits. */
export function useClimb(plan: Plan | null, request: QuoteRequest | null, to: number): Climb | null {
  const [climb, setClimb] = useState<Climb | null>(null);
  const queue = useRef<((job: Job) => void) | null>(null);

  useEffect(() => {
    let worker: Worker | null = null;
    let remote: Remote<ClimbWorker> | null = null;
    let busy = false;
    let waiting: Job | null = null;
    let held: Plan | null = null;
    const answered = async (job: Job): Promise<Climb | null> => {
      worker ??= new Worker(new URL("./climb-worker.ts", import.meta.url), { type: "module" });
      remote ??= wrap<ClimbWorker>(worker);
      if (held !== job.plan) await answerOrFailure(worker, remote.setPlan(job.plan));
      held = job.plan;
      return answerOrFailure(worker, remote.climb(job.request, job.to));
    };
    /** @param again whether a failure is tried once more, with a worker of its own */
    const run = async (job: Job, again = true): Promise<void> => {
      busy = true;
      let failed = false;
      try {
        setClimb(await answered(job));
      } catch {
        // What was drawn last stays.
        failed = true;
        worker?.terminate();
        [worker, remote, held] = [null, null, null];
      }
      busy = false;
      const next = waiting;
      waiting = null;
      if (next) await run(next);
      else if (failed && again) await run(job, false);
    };
    queue.current = (job) => {
      if (busy) waiting = job;
      else void run(job);
    };
    return () => worker?.terminate();
  }, []);

  useEffect(() => {
    if (plan && request) queue.current?.({ plan, request, to });
  }, [plan, request, to]);

  return climb;
}
