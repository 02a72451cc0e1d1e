import { sayable } from "../measures/measure-spec.ts";
import { formatMessage } from "../messages/format-message.ts";
import type { MessageState, StepState } from "../messages/states.ts";
import { formattingProblems, STEP_VARIABLES, stepVariableKinds, wordingProblems } from "../messages/wording.ts";
import { messageValues } from "../quote/messages/step-messages.ts";
import type { Progress } from "../quote/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { findTariffs } from "../tariff/find-tariffs.ts";
import type { Tariff } from "../tariff/tariff.ts";
import { instantOf } from "../time/instant.ts";

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
  const [problem] = wordingProblems(picked.text, STEP_VARIABLES[place.state], "");
  if (problem) return { problem: problem.message };
  const tariff = tariffFor(compiled, request, place.offer);
  const offer = tariff?.offers.find(({ id }) => place.offer === null || id === place.offer);
  const step = offer?.steps.find((one) => place.step === null || one.step.id === place.step);
  if (!tariff || !offer || !step) return { problem: "this step gives nothing anywhere yet" };
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
  const values = messageValues(tariff, offer, step, picked, state, shown, instantOf(request.at));
  return { text: formatMessage(values, tariff.currency), real: here !== undefined };
}

/** The standpoint's tariff where the offer holds there, else the first in which it does. */
function tariffFor(compiled: CompiledPlan, request: QuoteRequest, offer: string | null): Tariff | undefined {
  const found = findTariffs(compiled, request.destination, request.currency);
  const here = "there" in found ? found.there.map(({ tariff }) => tariff) : [];
  const has = (tariff: Tariff) =>
    offer === null ? tariff.offers.length > 0 : tariff.offers.some(({ id }) => id === offer);
  const known = here.find(has);
  if (known) return known;
  for (const zone of compiled.plan.zones) {
    for (const currency of compiled.currenciesOf(zone.id)) {
      const tariff = compiled.tariffOf(zone.id, currency);
      if (tariff && has(tariff)) return tariff;
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
