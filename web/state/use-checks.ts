import { proxy } from "comlink";
import { useCallback, useEffect, useMemo, useState } from "react";
import type { Finding } from "../../core/checks/finding.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { ChecksWorker } from "./checks-worker.ts";
import { LatestInWorker } from "./latest-in-worker.ts";
import { planSender } from "./plan-patch.ts";
import { useLatestInWorker } from "./use-latest-in-worker.ts";

type Progress = { readonly done: number; readonly of: number };

export type ChecksState = {
  /** What the last whole run has found; null before the first. */
  readonly findings: readonly Finding[] | null;
  readonly progress: Progress | null;
  /** Why the newest run came to nothing; it is tried again. */
  readonly failure: string | null;
  readonly stop: () => void;
};

type Job = { readonly plan: Plan; readonly at: number; readonly onProgress: (done: number, of: number) => void };

/** Typing goes on undisturbed: a run begins when nothing has changed for so long. */
const REST_MS = 500;
/** The first run waits longer: the page is drawn before anything of the checks is loaded. */
const FIRST_REST_MS = 2000;

const patchFor = planSender();

const CHECKING = new LatestInWorker<ChecksWorker, Job, readonly Finding[]>({
  start: () => new Worker(new URL("./checks-worker.ts", import.meta.url), { type: "module" }),
  answer: (remote, { plan, at, onProgress }) => remote.run(patchFor(remote, plan), at, proxy(onProgress)),
  breakOff: (remote) => remote.breakOff(),
});

/** The findings of a plan, looked for in a worker whenever it has changed and come to rest. */
export function useChecks(plan: Plan | null, at: number): ChecksState {
  const [progress, setProgress] = useState<Progress | null>(null);
  const [rested, setRested] = useState<Plan | null>(null);
  useEffect(() => {
    if (!plan) return undefined;
    const timer = setTimeout(() => setRested(plan), rested ? REST_MS : FIRST_REST_MS);
    return () => clearTimeout(timer);
  }, [plan, rested]);
  const job = useMemo(
    () =>
      rested && {
        plan: rested,
        at,
        onProgress: (done: number, of: number) => setProgress(done < of ? { done, of } : null),
      },
    [rested, at],
  );
  const { answer, failure } = useLatestInWorker(CHECKING, job);
  const stop = useCallback(() => {
    CHECKING.stop();
    setProgress(null);
  }, []);
  return { findings: answer, progress: failure === null ? progress : null, failure, stop };
}
