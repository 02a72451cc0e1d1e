import { proxy } from "comlink";
import { useCallback, useEffect, useMemo, useState } from "react";
import type { Finding } from "../../core/checks/finding.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { afterPaint } from "./after-paint.ts";
import type { ChecksTold, ChecksWorker } from "./checks-worker.ts";
import { LatestInWorker } from "./latest-in-worker.ts";
import { planSender } from "./plan-patch.ts";
import { useLatestInWorker } from "./use-latest-in-worker.ts";

type Progress = { readonly done: number; readonly of: number };

export type ChecksState = {
  /** What has been found: by the newest run as far as it is, by the one before otherwise; null before anything is. */
  readonly findings: readonly Finding[] | null;
  /** Whether a run has come to its end: before that, what is not found yet may still be. */
  readonly isWhole: boolean;
  readonly progress: Progress | null;
  /** Why the newest run came to nothing; it is tried again. */
  readonly failure: string | null;
  readonly stop: () => void;
};

type Job = { readonly plan: Plan; readonly at: number; readonly onTold: (told: ChecksTold) => void };

/** Typing goes on undisturbed: a run begins when nothing has changed for so long. */
const REST_MS = 500;
/** The page is drawn before anything of the checks is loaded; longer before where nothing in sight waits for them. */
const FIRST_REST_MS = { awaited: 50, otherwise: 2000 } as const;

const patchFor = planSender();

const CHECKING = new LatestInWorker<ChecksWorker, Job, true>({
  start: () => new Worker(new URL("./checks-worker.ts", import.meta.url), { type: "module" }),
  answer: (remote, { plan, at, onTold }) => remote.run(patchFor(remote, plan), at, proxy(onTold)),
  breakOff: (remote) => remote.breakOff(),
});

type Found = ReadonlyMap<string, readonly Finding[]>;

/**
 * The findings of a plan, looked for in a worker whenever it has changed and come to rest.
 *
 * @param isAwaited whether what is in sight is about them
 */
export function useChecks(plan: Plan | null, at: number, isAwaited: boolean): ChecksState {
  const [progress, setProgress] = useState<Progress | null>(null);
  const [byCheck, setByCheck] = useState<Found>(NOTHING);
  const [rested, setRested] = useState<Plan | null>(null);
  useEffect(() => {
    if (!plan) return undefined;
    const rest = rested ? REST_MS : FIRST_REST_MS[isAwaited ? "awaited" : "otherwise"];
    const timer = setTimeout(() => afterPaint(() => setRested(plan)), rest);
    return () => clearTimeout(timer);
  }, [plan, rested, isAwaited]);
  // It is loaded while the page is.
  useEffect(() => {
    if (isAwaited) CHECKING.getReady();
  }, [isAwaited]);
  const job = useMemo(() => {
    const onTold = ({ found, done, of }: ChecksTold) => {
      setProgress(done < of ? { done, of } : null);
      setByCheck((before) => new Map([...before, ...found]));
    };
    return rested && { plan: rested, at, onTold };
  }, [rested, at]);
  const { answer, failure } = useLatestInWorker(CHECKING, job);
  const findings = useMemo(() => (byCheck.size === 0 ? null : [...byCheck.values()].flat()), [byCheck]);
  const stop = useCallback(() => {
    CHECKING.stop();
    setProgress(null);
  }, []);
  return { findings, isWhole: answer !== null, progress: failure === null ? progress : null, failure, stop };
}

const NOTHING: Found = new Map();
