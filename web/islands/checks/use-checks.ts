import { proxy, type Remote, wrap } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Finding } from "../../../core/checks/finding.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { answerOrFailure } from "../state/worker-call.ts";
import type { ChecksWorker } from "./checks-worker.ts";

export type ChecksState = {
  /** What the last whole run has found; null before the first. */
  readonly findings: readonly Finding[] | null;
  readonly progress: { readonly done: number; readonly of: number } | null;
  readonly stop: () => void;
};

/** Typing goes on undisturbed: a run begins when nothing has changed for so long. */
const REST_MS = 500;
/** The first run waits longer: the page is drawn before anything of the checks is loaded. */
const FIRST_REST_MS = 2000;

/** The findings of a plan, looked for in a worker whenever it has changed and come to rest. */
export function useChecks(plan: Plan | null, at: number): ChecksState {
  const [findings, setFindings] = useState<readonly Finding[] | null>(null);
  const [progress, setProgress] = useState<ChecksState["progress"]>(null);
  const checks = useRef<{ worker: Worker; remote: Remote<ChecksWorker> } | null>(null);

  useEffect(() => {
    if (!plan) return undefined;
    const timer = setTimeout(
      async () => {
        checks.current ??= startWorker();
        const onProgress = proxy((done: number, of: number) => setProgress(done < of ? { done, of } : null));
        try {
          const { worker, remote } = checks.current;
          const found = await answerOrFailure(worker, remote.run(plan, at, onProgress));
          if (found) setFindings(found);
        } catch {
          // A run that failed tells nothing; the next edit begins with a worker of its own.
          checks.current?.worker.terminate();
          checks.current = null;
          setProgress(null);
        }
      },
      checks.current ? REST_MS : FIRST_REST_MS,
    );
    return () => clearTimeout(timer);
  }, [plan, at]);

  // Also in the middle of a finding: what comes next starts a worker of its own.
  const stop = useCallback(() => {
    checks.current?.worker.terminate();
    checks.current = null;
    setProgress(null);
  }, []);
  useEffect(() => () => checks.current?.worker.terminate(), []);
  return { findings, progress, stop };
}

function startWorker(): { worker: Worker; remote: Remote<ChecksWorker> } {
  const worker = new Worker(new URL("./checks-worker.ts", import.meta.url), { type: "module" });
  return { worker, remote: wrap<ChecksWorker>(worker) };
}
