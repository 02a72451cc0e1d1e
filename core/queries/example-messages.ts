import { type PreparedRequest, prepareRequest } from "../evaluate/prepared-request.ts";
import { sayable } from "../measures/measure-spec.ts";
import { formatMessage } from "../messages/format-message.ts";
import type { MessageState, StepState } from "../messages/states.ts";
import { stepValues, stepVariableKinds, stepVariableNames } from "../messages/step-variables.ts";
import { formattingProblems, wordingProblems } from "../messages/wording.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import { placeOf } from "../places/place.ts";
import type { Progress } from "../quote/answer/quote.ts";
import { StepFigures } from "../quote/messages/step-figures.ts";
import type { QuoteRequest } from "../request/request.ts";
import { factsOf } from "../situation/situation.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import type { Tariff } from "../tariff/tariff.ts";

/** A text as a shopper would read it: with the figures of the standpoint where it stands so, else with made-up ones. */
export type ExampleMessage = { readonly text: string } | { readonly problem: Phrase };

type StepPlace = {
  /** null: the first offer there is, for texts of the whole plan. */
  readonly offer: string | null;
  readonly step: string | null;
  readonly state: MessageState;
};

/**
 * How texts read for a step and state, whether or not the plan says them yet. The request is read once for all of them.
 *
 * @param progress where steps stand for the shopper on screen
 * @example
 * const example = exampleMessages(compiled, request, quote.progress);
 * example({ offer: "post", step: "free", state: "on-the-way" }, { text: "Add {remaining} more", locale: "en" })
 * // { text: "Add €6.40 more" }
 */
export function exampleMessages(
  compiled: CompiledPlan,
  request: QuoteRequest,
  progress: readonly Progress[],
): (place: StepPlace, picked: { text: string; locale: string }) => ExampleMessage {
  const prepared = prepareRequest(compiled, request);
  const here = "there" in prepared ? prepared.there : [];
  return (place, picked) => {
    const [problem] = wordingProblems(picked.text, stepVariableNames(place.state), "");
    if (problem) return { problem: problem.message };
    const terms = termsFor(compiled, request, here, place.offer);
    const offer = terms?.tariff.offers.find(({ id }) => place.offer === null || id === place.offer);
    const step = offer?.steps.find((one) => place.step === null || one.step.id === place.step);
    if (!terms || !offer || !step) return { problem: phrase("this step gives nothing anywhere yet") };
    const counts = place.offer === null ? null : offer.offer.counts.kind;
    const kinds = stepVariableKinds(place.state, counts);
    const [unfit] = formattingProblems(picked.text, picked.locale, kinds, "");
    if (unfit) return { problem: unfit.message };
    const state = plainState(place.state);
    const known = progress.find((one) => one.offer === offer.id && one.step === step.step.id && one.state === state);
    const shown = known ?? madeUp(step.goal?.at ?? 0, place.state, offer.offer.counts.kind);
    const values = new StepFigures(terms, { offer, step, state, shown }, picked.locale);
    return { text: formatMessage(picked, stepValues(values)) };
  };
}

/** The standpoint's tariff where the offer holds there, else the first in which it does. */
function termsFor(
  compiled: CompiledPlan,
  request: QuoteRequest,
  here: PreparedRequest["there"],
  offer: string | null,
): PreparedRequest["there"][number] | undefined {
  const has = ({ offers }: Tariff) => (offer === null ? offers.length > 0 : offers.some(({ id }) => id === offer));
  const known = here.find(({ tariff }) => has(tariff));
  if (known) return known;
  const facts = here[0]?.facts ?? factsOf(request, compiled.locations, placeOf(request.destination));
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
