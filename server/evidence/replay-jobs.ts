import { randomUUID } from "node:crypto";
import type { Pool, RowDataPacket } from "mysql2/promise";
import type { ValueCounting } from "../../core/evidence/order-facts.ts";
import { mergedReplays, type Replayed } from "../../core/evidence/replayed.ts";
import type { Problem } from "../../core/schema/problem.ts";
import { compiledDraft } from "../draft/compiled-draft.ts";
import { type OrderFilter, orderCondition } from "../orders/order-filter.ts";
import { planInForce } from "../releases/releases.ts";
import type { NamedPlan } from "./order-worker.ts";
import { inThread, threadCount } from "./worker-pool.ts";

/** What is asked of a replay of the draft. */
export type ReplayAsked = {
  readonly filter: OrderFilter;
  readonly counting: ValueCounting;
  /** Worths from which orders belong to the next group: see `ReplayPart`. */
  readonly edges: readonly number[];
  readonly atItsOwnMoment: boolean;
};

/** How far a replay is. */
export type ReplayState =
  | { readonly state: "running"; readonly done: number; readonly of: number }
  | { readonly state: "done"; readonly replayed: Replayed; readonly beside: number | null; readonly sequence: number }
  | { readonly state: "failed" | "stopped" };

type Job = {
  state: ReplayState;
  readonly stop: () => void;
  /** What it goes by: its figures are opened with the same. */
  readonly asked: ReplayAsked;
  readonly plans: { readonly now: NamedPlan; readonly beside: NamedPlan | null };
};

interface RangeRow extends RowDataPacket {
  least: number | null;
  most: number | null;
}

/** Jobs that are remembered, the oldest first. */
const jobs = new Map<string, Job>();
const MOST_JOBS = 20;
/** Ids that a thread is handed at once. */
const PART = 4000;

/**
 * Begins to price past orders anew under the draft, beside the release in force.
 *
 * @returns the name of the job, by which it is looked at; or what is wrong with the draft
 */
export async function startReplay(
  pool: Pool,
  { filter, counting, edges, atItsOwnMoment }: ReplayAsked,
): Promise<{ job: string } | { problems: Problem[] }> {
  const asked = { filter, counting, edges, atItsOwnMoment };
  const draft = await compiledDraft(pool);
  if ("problems" in draft) return draft;
  const { state, sequence, plan, calendars } = draft;
  const release = await planInForce(pool);
  const plans = {
    now: { name: `draft ${state}`, plan, calendars },
    beside: release && plainOf({ name: `release ${release.release.checksum}`, ...release }),
  };
  const { where, values } = orderCondition(filter);
  const [[range]] = await pool.query<RangeRow[]>(
    `SELECT MIN(id) AS least, MAX(id) AS most FROM orders WHERE ${where}`,
    [...values],
  );
  const stopping = new AbortController();
  const job: Job = { state: { state: "running", done: 0, of: 1 }, stop: () => stopping.abort(), asked, plans };
  const name = `r-${randomUUID()}`;
  remember(name, job);
  const least = range?.least ?? 1;
  const parts = Array.from({ length: Math.ceil(((range?.most ?? 0) - least + 1) / PART) }, (_, i) => ({
    from: least + i * PART,
    to: least + (i + 1) * PART - 1,
  }));
  runParts(parts, job, stopping.signal).then(
    (replayed) => {
      job.state = { state: "done", replayed, beside: release?.release.number ?? null, sequence };
    },
    (error: unknown) => {
      if (!stopping.signal.aborted) console.error(error);
      job.state = { state: stopping.signal.aborted ? "stopped" : "failed" };
      stopping.abort();
    },
  );
  return { job: name };
}

/** What goes to a thread, and no more. */
const plainOf = ({ name, plan, calendars }: NamedPlan): NamedPlan => ({ name, plan, calendars });

async function runParts(
  parts: readonly { readonly from: number; readonly to: number }[],
  job: Job,
  signal: AbortSignal,
): Promise<Replayed> {
  let next = 0;
  let done = 0;
  const found: Replayed[] = [];
  const oneAfterTheOther = async () => {
    for (let at = next++; at < parts.length; at = next++) {
      const part = parts[at];
      if (!part || signal.aborted) return;
      const task = { do: "replay" as const, ...job.asked, ...part, ...job.plans };
      // In the orders' own order, however the threads come to their ends.
      found[at] = await inThread(task, signal);
      done += 1;
      job.state = { state: "running", done, of: parts.length };
    }
  };
  await Promise.all(Array.from({ length: threadCount() }, oneAfterTheOther));
  signal.throwIfAborted();
  return mergedReplays(found);
}

/** What a replay goes by; null where it is not remembered any more. */
export function plansOfReplay(job: string): Pick<Job, "asked" | "plans"> | null {
  return jobs.get(job) ?? null;
}

export const lookAtReplay = (job: string): ReplayState | null => jobs.get(job)?.state ?? null;

export function stopReplay(job: string): void {
  jobs.get(job)?.stop();
}

function remember(name: string, job: Job): void {
  const [oldest] = jobs.keys();
  if (oldest !== undefined && jobs.size >= MOST_JOBS) {
    jobs.get(oldest)?.stop();
    jobs.delete(oldest);
  }
  jobs.set(name, job);
}
