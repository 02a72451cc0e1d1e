import { expose } from "comlink";
import { type Climb, climb } from "../../../core/climb/climb.ts";
import { type CompiledPlan, compile } from "../../../core/plan/compile.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { QuoteRequest } from "../../../core/quote/request.ts";

let compiled: CompiledPlan | null = null;

const worker = {
  /** Holds this plan from now on. A plan that does not compile leaves the last one in place. */
  setPlan(plan: Plan): void {
    const result = compile(plan);
    if ("compiled" in result) compiled = result.compiled;
  },
  climb(request: QuoteRequest, to: number): Climb | null {
    if (!compiled) return null;
    const result = climb(compiled, request, to);
    return "climb" in result ? result.climb : null;
  },
};

export type ClimbWorker = typeof worker;

expose(worker);
