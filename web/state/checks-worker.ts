import { expose } from "comlink";
import type { Finding } from "../../core/checks/finding.ts";
import { CheckMemory } from "../../core/checks/kept-parts.ts";
import { QUICK_FIRST, runChecks } from "../../core/checks/run-checks.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { compile } from "../../core/tariff/compile.ts";
import { api } from "./api.ts";
import { type PlanPatch, patched } from "./plan-patch.ts";

const pause = () => new Promise((resolve) => setTimeout(resolve, 0));
let newest = 0;
let held: Plan | null = null;

/** How long the products and uses that were read last are good for. */
const FRESH_MS = 60_000;
let around: { read: number; answer: ReturnType<typeof api.surroundings> } | null = null;

const RETRY_MS = 2000;
/** A pause takes some milliseconds, most checks one: what is wanted instead is looked for only so often. */
const PAUSE_MS = 20;
const PROGRESS_MS = 200;

/** Read here, not on the page: a large catalogue is never in the way of who types. Null when it is wanted no more. */
async function surroundings(wanted: () => boolean): Promise<Awaited<ReturnType<typeof api.surroundings>> | null> {
  while (wanted()) {
    if (!around || Date.now() - around.read > FRESH_MS) around = { read: Date.now(), answer: api.surroundings() };
    try {
      return await around.answer;
    } catch {
      around = null;
      await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
    }
  }
  return null;
}

/** What checks have found since the last time it was told, by the code of the check; how many are done, of how many. */
export type ChecksTold = {
  readonly found: readonly (readonly [check: string, findings: readonly Finding[]])[];
  readonly done: number;
  readonly of: number;
};

/** What the run before came to: what an edit does not touch is not looked at again. */
const memory = new CheckMemory();

const worker = {
  /**
   * Runs every check over a plan, telling what they find as it comes. A newer run ends it between two checks.
   *
   * @param patch to the plan of the run before
   * @param at the moment the checks look from, in epoch milliseconds
   * @returns true once all are done; null when a newer one has begun, or the plan does not compile
   */
  async run(patch: PlanPatch, at: number, onTold: (told: ChecksTold) => void): Promise<true | null> {
    newest += 1;
    const own = newest;
    held = patched(held, patch);
    // Asked for while the plan is being compiled.
    const reading = surroundings(() => own === newest);
    const compiled = compile(held);
    if ("problems" in compiled) return null;
    const known = await reading;
    if (!known) return null;
    let found: [string, readonly Finding[]][] = [];
    let told = Date.now();
    let paused = told;
    // The first that is found is told at once, what follows now and then.
    let isNews = true;
    for (const { check, findings, done, of } of runChecks(compiled.compiled, { ...known, at }, memory, QUICK_FIRST)) {
      found.push([check, findings]);
      if (done === of || Date.now() - told > PROGRESS_MS || (isNews && findings.length > 0)) {
        isNews &&= found.every(([, some]) => some.length === 0);
        onTold({ found, done, of });
        found = [];
        told = Date.now();
      }
      if (Date.now() - paused < PAUSE_MS) continue;
      await pause();
      if (own !== newest) return null;
      paused = Date.now();
    }
    return true;
  },

  /** Ends the run under way, which then answers null. */
  breakOff(): void {
    newest += 1;
  },
};

export type ChecksWorker = typeof worker;

expose(worker);
