import type { Plan } from "../plan/plan.ts";
import type { Quote, QuoteForm } from "../quote/answer/quote.ts";
import { quote } from "../quote/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import { type CompiledPlan, compile } from "../tariff/compile.ts";
import { inEnglish } from "./in-english.ts";

export function compiledPlan(plan: Plan): CompiledPlan {
  const result = compile(plan);
  if ("problems" in result) throw new Error(JSON.stringify(inEnglish(result.problems)));
  return result.compiled;
}

export function quoteOf(compiled: CompiledPlan, request: QuoteRequest, form: QuoteForm = {}): Quote {
  const result = quote(compiled, request, form);
  if ("problems" in result) throw new Error(JSON.stringify(inEnglish(result.problems)));
  return result.quote;
}
