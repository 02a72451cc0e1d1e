import { ratesOf } from "../../core/plan/plan.ts";
import {
  answerFrom,
  type CarrierQuestion,
  type CarrierReply,
  carrierQuestions,
} from "../../core/quote/carriers/carrier-questions.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { withFields } from "../../core/request/with-fields.ts";
import type { CompiledPlan } from "../../core/tariff/compile.ts";
import type { Carrier } from "./carrier.ts";
import { OSPRELLE } from "./osprelle.ts";
import { type CarrierBehaviour, simulated } from "./simulated.ts";
import { VELDCART } from "./veldcart.ts";

/** How long a quote waits for carriers, in milliseconds, whatever their number. */
const CARRIER_DEADLINE = 800;

/** The carriers that ship with the app, all of them simulated. @param behaviours how each behaves; well unless it is named */
export const ownCarriers = (behaviours: Readonly<Record<string, CarrierBehaviour>> = {}): Carrier[] =>
  [OSPRELLE, VELDCART].map((card) => simulated(card, behaviours[card.id]));

/**
 * Asks all at once; who has not answered by the deadline was slow. Null stands for a carrier that only the shop knows,
 * whose answer it has to bring along itself.
 *
 * @returns a reply to each question, in their order
 */
export function askCarriers(
  questions: readonly CarrierQuestion[],
  carriers: readonly Carrier[],
  deadline = CARRIER_DEADLINE,
): Promise<(CarrierReply | null)[]> {
  const signal = AbortSignal.timeout(deadline);
  // A carrier that does not heed the signal is not waited for either.
  const late = new Promise<CarrierReply>((resolve) => {
    signal.addEventListener("abort", () => resolve({ problem: "slow" }), { once: true });
  });
  return Promise.all(
    questions.map(async (question): Promise<CarrierReply | null> => {
      const carrier = carriers.find(({ id }) => id === question.carrier);
      if (!carrier) return null;
      try {
        return await Promise.race([carrier.ask(question, signal), late]);
      } catch {
        return { problem: signal.aborted ? "slow" : "failed" };
      }
    }),
  );
}

/**
 * The request with the answers of every carrier that its quote depends on.
 *
 * @example quote(compiled, await withCarrierAnswers(compiled, request, ownCarriers()))
 */
export async function withCarrierAnswers(
  compiled: CompiledPlan,
  request: QuoteRequest,
  carriers: readonly Carrier[],
): Promise<QuoteRequest> {
  const questions = carrierQuestions(compiled, request);
  if (questions.length === 0) return request;
  const replies = await askCarriers(questions, carriers);
  const rates = ratesOf(compiled.plan);
  const answers = questions.flatMap((question, i) => {
    const reply = replies[i];
    return reply ? [answerFrom(question, reply, request.currency, rates)] : [];
  });
  return withFields(request, { carriers: [...(request.carriers ?? []), ...answers] });
}
