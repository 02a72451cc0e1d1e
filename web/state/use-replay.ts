import { useEffect, useState } from "react";
import type { ReplayAsked, ReplayState } from "../../server/evidence/replay-jobs.ts";
import { evidenceApi } from "./evidence-api.ts";

export type Replaying = {
  /** Its name on the server, by which its figures are opened. */
  readonly job: string | null;
  /** Null before one was begun. */
  readonly state: ReplayState | null;
  readonly failure: Error | null;
  readonly start: () => void;
  readonly stop: () => void;
};

const EVERY = 250;

/** A replay on the server: begun and stopped by hand, looked at until it comes to its end. */
export function useReplay(asked: ReplayAsked): Replaying {
  const [job, setJob] = useState<string | null>(null);
  const [state, setState] = useState<ReplayState | null>(null);
  const [failure, setFailure] = useState<Error | null>(null);
  useEffect(() => {
    if (job === null) return;
    let isOver = false;
    const look = async () => {
      while (!isOver) {
        const found = await evidenceApi.lookAtReplay(job);
        if (isOver) return;
        setState(found);
        if (found.state !== "running") return;
        await new Promise((resolve) => setTimeout(resolve, EVERY));
      }
    };
    look().catch((error: unknown) => {
      if (!isOver) setFailure(error instanceof Error ? error : new Error(String(error)));
    });
    return () => {
      isOver = true;
    };
  }, [job]);
  const start = () => {
    setState({ state: "running", done: 0, of: 1 });
    setFailure(null);
    evidenceApi.startReplay(asked).then(
      (started) => setJob(started.job),
      (error: unknown) => {
        setState(null);
        setFailure(error instanceof Error ? error : new Error(String(error)));
      },
    );
  };
  const stop = () => {
    if (job !== null) void evidenceApi.stopReplay(job);
  };
  return { job, state, failure, start, stop };
}
