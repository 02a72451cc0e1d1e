import { CheckMemory } from "../../core/checks/kept-parts.ts";
import { runChecks } from "../../core/checks/run-checks.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { compile } from "../../core/tariff/compile.ts";
import { fixturePlan } from "../engine/fixture.ts";
import { median } from "../median.ts";

// All checks on the engine's bench plan, once as it is and once with a hundred times its offers and zones; and after edits of it.
const around = { at: Date.UTC(2026, 10, 24), products: [], uses: {}, addresses: [] };
const TIMES = 100;

type Ran = { readonly ms: number; readonly longest: number; readonly steps: number };

function checked(plan: Plan, memory: CheckMemory): Ran {
  const result = compile(plan);
  if ("problems" in result) throw new Error(JSON.stringify(result.problems.slice(0, 3)));
  const start = performance.now();
  let last = start;
  let [steps, longest] = [0, 0];
  for (const { done } of runChecks(result.compiled, around, memory)) {
    longest = Math.max(longest, performance.now() - last);
    last = performance.now();
    steps = done;
  }
  return { ms: performance.now() - start, longest, steps };
}

const once = median([1, 2, 3].map(() => checked(fixturePlan(1), new CheckMemory()).ms));
const memory = new CheckMemory();
let plan = fixturePlan(TIMES);
const whole = checked(plan, memory);
const edited = [3, 400, 777, 1200, 1490].map((which) => {
  plan = {
    ...plan,
    offers: plan.offers.map((offer, i) => (i === which ? { ...offer, name: `${offer.name}, edited` } : offer)),
  };
  return checked(plan, memory).ms;
});
console.log(
  `all checks, per thing checked, ${TIMES}x plan / 1x: ${(whole.ms / TIMES / once).toFixed(2)}  (1x ${once.toFixed(0)} ms, ${TIMES}x ${whole.ms.toFixed(0)} ms in ${whole.steps} steps, the longest ${whole.longest.toFixed(0)} ms; 10 wanted)`,
);
console.log(
  `checks after an edit of an offer / all of them, ${TIMES}x plan: ${(median(edited) / whole.ms).toFixed(3)}  (${median(edited).toFixed(0)} ms; 0.05 wanted)`,
);
