import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { ratesOf } from "../../core/plan/plan.ts";
import { answerFrom, carrierQuestions } from "../../core/quote/carriers/carrier-questions.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import type { CompiledPlan } from "../../core/tariff/compile.ts";
import type { CarrierBehaviour } from "../../server/carriers/simulated.ts";
import { api } from "./api.ts";

const HALF_HOUR = 30 * 60_000;

/**
 * The request with what carriers answer about it. The same question is not asked twice in a while; `asking` while some
 * answer is still on its way.
 */
export function useCarrierAnswers(
  compiled: CompiledPlan | null,
  request: QuoteRequest,
  moods: Readonly<Record<string, CarrierBehaviour>>,
): { request: QuoteRequest; asking: boolean } {
  const questions = useMemo(
    // Carriers are asked about the parcel, whatever the minute.
    () =>
      compiled
        ? carrierQuestions(compiled, request).map((one) => ({ ...one, at: `${request.at.slice(0, 13)}:00:00Z` }))
        : [],
    [compiled, request],
  );
  const { data, isFetching } = useQuery({
    queryKey: ["carriers", questions, moods],
    queryFn: () => api.askCarriers(questions, moods),
    enabled: questions.length > 0,
    staleTime: HALF_HOUR,
    retry: 1,
  });
  const replies = questions.length > 0 ? data?.replies : undefined;
  const answered = useMemo(() => {
    if (!compiled || !replies) return request;
    const rates = ratesOf(compiled.plan);
    const carriers = questions.flatMap((question, i) => {
      const reply = replies[i];
      return reply ? [answerFrom(question, reply, request.currency, rates)] : [];
    });
    return { ...request, carriers };
  }, [compiled, request, questions, replies]);
  return { request: answered, asking: questions.length > 0 && isFetching };
}
