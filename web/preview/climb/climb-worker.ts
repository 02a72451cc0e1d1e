import { expose } from "comlink";
import { climb } from "../../../core/climb/climb.ts";
import type { Climb } from "../../../core/climb/interval.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import { type CompiledPlan, compileSound } from "../../../core/tariff/compile.ts";

let compiled: CompiledPlan | null = null;

const worker = {
  /** Holds this plan from now on. It was found sound where it comes from. */
  setPlan(plan: Plan): void {
    compiled = compileSound(plan);
  },
  climb(request: QuoteRequest, to: number): Climb | null {
    if (!compiled) return null;
    const result = climb(compiled, request, to);
    return "climb" in result ? result.climb : null;
  },
};

export type ClimbWorker = typeof worker;

expose(worker);
