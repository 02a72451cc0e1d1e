import { runChecks } from "../../core/checks/run-checks.ts";
import { compile } from "../../core/tariff/compile.ts";
import { fixturePlan } from "../engine/fixture.ts";

// All checks on the engine's bench plan, once as it is and once with a hundred times its offers and zones.
const around = { at: Date.UTC(2026, 10, 24), products: [], uses: {}, addresses: [] };

function checked(times: number): { ms: number; longest: number; steps: number; stoppedAfter: number } {
  const result = compile(fixturePlan(times));
  if ("problems" in result) throw new Error(JSON.stringify(result.problems.slice(0, 3)));
  const start = performance.now();
  let last = start;
  let [steps, longest] = [0, 0];
  for (const { done } of runChecks(result.compiled, around)) {
    longest = Math.max(longest, performance.now() - last);
    last = performance.now();
    steps = done;
  }
  const ms = performance.now() - start;
  // Stopped between two checks, no further one runs.
  let stoppedAfter = 0;
  for (const { done } of runChecks(result.compiled, around)) {
    stoppedAfter = done;
    if (done === 3) break;
  }
  return { ms, longest, steps, stoppedAfter };
}

const [once, hundredfold] = [checked(1), checked(100)];
console.log(
  `all checks, 100x plan / 1x: ${(hundredfold.ms / once.ms).toFixed(1)}  (1x ${once.ms.toFixed(0)} ms, 100x ${hundredfold.ms.toFixed(0)} ms in ${hundredfold.steps} steps, the longest ${hundredfold.longest.toFixed(0)} ms; stopped after ${hundredfold.stoppedAfter})`,
);
