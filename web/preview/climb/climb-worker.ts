import { expose } from "comlink";
import { climb } from "../../../core/climb/climb.ts";
import type { Climb } from "../../../core/climb/interval.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import { type CompiledPlan, compileSound } from "../../../core/tariff/compile.ts";
import { type PlanPatch, patched } from "../../state/plan-patch.ts";

let compiled: CompiledPlan | null = null;

const worker = {
  /** Holds another plan from now on, which was found sound where it comes from; the same one is not compiled again. */
  hold(patch: PlanPatch): void {
    const plan = patched(compiled?.plan ?? null, patch);
    if (!compiled || "whole" in patch || patch.changes.length > 0) compiled = compileSound(plan);
  },
  climb(request: QuoteRequest, to: number): Climb | null {
    if (!compiled) return null;
    const result = climb(compiled, request, to);
    return "climb" in result ? result.climb : null;
  },
};

export type ClimbWorker = typeof worker;

expose(worker);
