import { useEffect, useRef, useState } from "react";
import type { LatestInWorker } from "./latest-in-worker.ts";

type Known<Answer> = { readonly answer: Answer | null; readonly failure: string | null };

/**
 * What a worker has made of the newest job that it got done; what it said last stays until then. A failure is told beside it
 * while it lasts: the job is tried again.
 *
 * @param job the same object as long as the same is asked; null: nothing
 */
export function useLatestInWorker<Api, Job, Answer>(
  latest: LatestInWorker<Api, Job, Answer>,
  job: Job | null,
): Known<Answer> {
  const [known, setKnown] = useState<Known<Answer>>({ answer: null, failure: null });
  const asked = useRef<Job | null>(null);
  useEffect(() => {
    // A section that comes back into sight has asked this already.
    if (job === null || asked.current === job) return;
    asked.current = job;
    latest.ask(job, (told) =>
      setKnown((before) =>
        "failure" in told ? { ...before, failure: told.failure } : { answer: told.answer, failure: null },
      ),
    );
  }, [latest, job]);
  return known;
}
