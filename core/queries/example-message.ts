import { type PreparedRequest, prepareRequest } from "../evaluate/prepared-request.ts";
import { sayable } from "../measures/measure-spec.ts";
import { formatMessage } from "../messages/format-message.ts";
import type { MessageState, StepState } from "../messages/states.ts";
import { stepValues, stepVariableKinds, stepVariableNames } from "../messages/step-variables.ts";
import { formattingProblems, wordingProblems } from "../messages/wording.ts";
import { placeOf } from "../places/place.ts";
import type { Progress } from "../quote/answer/quote.ts";
import { messageValues } from "../quote/messages/step-messages.ts";
import type { QuoteRequest } from "../request/request.ts";
import { factsOf } from "../situation/situation.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import type { Tariff } from "../tariff/tariff.ts";

/** A text as a shopper would read it: with the figures of the standpoint where it stands so, else with made-up ones. */
export type ExampleMessage = { readonly text: string; readonly real: boolean } | { readonly problem: string };

/**
 * How a text reads for one step and state, whether or not the plan says it yet.
 *
 * @param progress where steps stand for the shopper on screen
 * @param offerId null: the first offer there is, for texts of the whole plan
 */
export function exampleMessage(
  compiled: CompiledPlan,
  request: QuoteRequest,
  progress: readonly Progress[],
  place: { offer: string | null; step: string | null; state: MessageState },
  picked: { text: string; locale: string },
): ExampleMessage {
  const [problem] = wordingProblems(picked.text, stepVariableNames(place.state), "");
  if (problem) return { problem: problem.message };
  const terms = termsFor(compiled, request, place.offer);
  const offer = terms?.tariff.offers.find(({ id }) => place.offer === null || id === place.offer);
  const step = offer?.steps.find((one) => place.step === null || one.step.id === place.step);
  if (!terms || !offer || !step) return { problem: "this step gives nothing anywhere yet" };
  const [unfit] = formattingProblems(
    picked.text,
    picked.locale,
    stepVariableKinds(place.state, place.offer === null ? null : offer.offer.counts.kind),
    "",
  );
  if (unfit) return { problem: unfit.message };
  const state = plainState(place.state);
  const here = progress.find((one) => one.offer === offer.id && one.step === step.step.id && one.state === state);
  const shown = here ?? madeUp(step.goal?.at ?? 0, place.state, offer.offer.counts.kind);
  const values = messageValues(terms, { offer, step, state, shown }, picked.locale);
  return { text: formatMessage(picked, stepValues(values)), real: here !== undefined };
}

/** The standpoint's tariff where the offer holds there, else the first in which it does. */
function termsFor(
  compiled: CompiledPlan,
  request: QuoteRequest,
  offer: string | null,
): PreparedRequest["there"][number] | undefined {
  const has = ({ offers }: Tariff) => (offer === null ? offers.length > 0 : offers.some(({ id }) => id === offer));
  const prepared = prepareRequest(compiled, request);
  const here = "there" in prepared ? prepared.there : [];
  const known = here.find(({ tariff }) => has(tariff));
  if (known) return known;
  const facts = here[0]?.facts ?? factsOf(request, compiled.positions, placeOf(request.destination));
  for (const zone of compiled.plan.zones) {
    for (const currency of compiled.currenciesOf(zone.id)) {
      const tariff = compiled.tariffOf(zone.id, currency);
      if (tariff && has(tariff)) return { tariff, facts };
    }
  }
  return undefined;
}

function plainState(state: MessageState): StepState {
  if (state === "nearly-there" || state === "between") return "on-the-way";
  return state === "top" ? "reached" : state;
}

/** Figures that fit a state: a good half there, nearly there, or all of it. */
function madeUp(
  goal: number,
  state: MessageState,
  kind: Progress["measure"],
): Pick<Progress, "counted" | "remainingSaid" | "percent"> {
  if (state === "empty") return { counted: 0, remainingSaid: sayable(kind, goal), percent: 0 };
  if (state === "reached" || state === "top") return { counted: goal, remainingSaid: null, percent: 100 };
  const remaining = Math.max(1, Math.round(goal / (state === "nearly-there" ? 10 : 2.5)));
  return {
    counted: goal - remaining,
    remainingSaid: sayable(kind, remaining),
    percent: Math.min(99, Math.floor((100 * (goal - remaining)) / Math.max(1, goal))),
  };
}
