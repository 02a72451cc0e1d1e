import { expose } from "comlink";
import type { Surroundings } from "../../../core/checks/check.ts";
import type { Finding } from "../../../core/checks/finding.ts";
import { runChecks } from "../../../core/checks/run-checks.ts";
import { compile } from "../../../core/plan/compile.ts";
import type { Plan } from "../../../core/plan/plan.ts";

const countryNames = new Intl.DisplayNames(["en"], { type: "region" });
const pause = () => new Promise((resolve) => setTimeout(resolve, 0));
let newest = 0;

const worker = {
  /**
   * Runs every check over a plan, telling how far it is. A newer run, or `stop`, ends it between two checks.
   *
   * @returns null when it was stopped, or the plan does not compile
   */
  async run(
    plan: Plan,
    around: Omit<Surroundings, "placeName">,
    onProgress: (done: number, of: number) => void,
  ): Promise<Finding[] | null> {
    newest += 1;
    const own = newest;
    const compiled = compile(plan);
    if ("problems" in compiled) return null;
    const placeName = (code: string) => (code.includes("-") ? code : (countryNames.of(code) ?? code));
    const found: Finding[] = [];
    for (const { findings, done, of } of runChecks(compiled.compiled, { ...around, placeName })) {
      found.push(...findings);
      onProgress(done, of);
      await pause();
      if (own !== newest) return null;
    }
    return found;
  },
  stop(): void {
    newest += 1;
  },
};

export type ChecksWorker = typeof worker;

expose(worker);
