import { fillersFor } from "../../evaluate/cart-growth.ts";
import type { StepState } from "../../messages/states.ts";
import type { TariffOffer, TariffStep } from "../../tariff/tariff-offer.ts";
import type { Progress } from "../answer/quote.ts";
import type { QuoteIn } from "../answer/quote-in.ts";
import { offerHolds, reached } from "../options/price-option.ts";
import { ahead, asSaid, FillerForecast, stepStatus } from "./step-status.ts";

/** A step as it stands, also one without a goal, of which there is no progress to show. */
export type StepProgress = {
  readonly offer: TariffOffer;
  readonly step: TariffStep;
  readonly state: StepState;
  readonly remaining: number | null;
  /** `remaining` as it is said. */
  readonly said: number | null;
  readonly shown: Progress | null;
};

/** How every step of every offer stands. */
export function progressOf({ now, cart }: Pick<QuoteIn, "now" | "cart">): StepProgress[] {
  const fillers = fillersFor(now, () => cart);
  const progress: StepProgress[] = [];
  for (const offer of now.tariff.offers) {
    for (const step of offer.steps) {
      const { kind } = offer.offer.counts;
      let forecast: FillerForecast | undefined;
      const { state, remaining } = stepStatus(offer, step, now, () => {
        forecast = new FillerForecast(offer, step, fillers(offer.filler));
        // What more goods make of an offer that does not hold now is seldom decided at once.
        if (!offerHolds(offer, now)) forecast.extend();
        return ahead(forecast, 0);
      });
      const said = forecast && remaining !== null ? asSaid(forecast, kind, remaining) : null;
      const shown = shownProgress(offer, step, { state, remaining, said }, now);
      progress.push({ offer, step, state, remaining, said, shown });
    }
  }
  return progress;
}

function shownProgress(
  offer: TariffOffer,
  step: TariffStep,
  { state, remaining, said }: Pick<StepProgress, "state" | "remaining" | "said">,
  now: QuoteIn["now"],
): Progress | null {
  const { goal } = step;
  if (!goal) return null;
  const counted = now.count(goal.measure);
  const earned = reached(offer, step, now);
  return {
    offer: offer.id,
    step: step.step.id,
    measure: offer.offer.counts.kind,
    goal: goal.at,
    counted,
    percent: earned ? 100 : Math.min(99, Math.floor((100 * (counted ?? 0)) / Math.max(1, goal.least))),
    reached: earned,
    state,
    remaining,
    remainingSaid: said,
  };
}
