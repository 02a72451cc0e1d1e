import { expose } from "comlink";
import type { PastOrder } from "../../../core/evidence/past-order.ts";
import { asRunning, Replay } from "../../../core/evidence/replay.ts";
import type { Replayed } from "../../../core/evidence/replayed.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { type CompiledPlan, compileSound } from "../../../core/tariff/compile.ts";
import { type PlanPatch, patched } from "../../state/plan-patch.ts";

/** Two frames, in milliseconds. */
const BUDGET = 33;
/** Orders between two looks at the clock. */
const STRIDE = 8;

let held: Plan | null = null;
let compiled: CompiledPlan | null = null;
let beside: CompiledPlan | null = null;
let orders: readonly PastOrder[] = [];

const worker = {
  /** Holds another plan from now on; all its offers run. */
  hold(patch: PlanPatch): void {
    held = patched(held, patch);
    compiled = compileSound(asRunning(held));
  },
  /** Holds what the plan is compared with, and the orders, in the order in which they were drawn. */
  compareWith(plan: Plan, drawn: readonly PastOrder[]): void {
    beside = compileSound(asRunning(plan));
    orders = drawn;
    // Once through without a clock: what is prepared at the first use of a zone is none of a frame's time.
    const replay = new Replay(beside, { beside });
    for (const order of orders) replay.add(order);
  },
  /** Prices as many of the orders as two frames allow. */
  price(): Replayed | null {
    if (!compiled || !beside) return null;
    const replay = new Replay(compiled, { beside });
    const end = performance.now() + BUDGET;
    for (const [i, order] of orders.entries()) {
      if (i % STRIDE === 0 && performance.now() > end) break;
      replay.add(order);
    }
    return replay.result();
  },
};

export type SampleWorker = typeof worker;

expose(worker);
