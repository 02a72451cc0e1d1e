import { PLAIN_DISPLAY } from "../../../core/messages/display.ts";
import { pickText } from "../../../core/messages/locale.ts";
import { MESSAGE_STATES, type Surface } from "../../../core/messages/states.ts";
import type { Offer, Step } from "../../../core/offers/offer.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { exampleMessages } from "../../../core/queries/example-messages.ts";
import { textsFor } from "../../../core/quote/messages/step-messages.ts";
import { say } from "../../language/say.ts";
import { ProgressDisplay } from "../../preview/shopper/progress-display.tsx";
import { STATE_WORDS } from "./wording-grid.tsx";

type Props = {
  store: Plan["store"];
  example: ReturnType<typeof exampleMessages>;
  offer: Offer;
  step: Step;
  surface: Surface;
  locale: string;
};

const SHARE = { empty: 0, "on-the-way": 0.55, "nearly-there": 0.9, between: 0.75, reached: 1, top: 1 } as const;
const hasShare = (state: string): state is keyof typeof SHARE => Object.hasOwn(SHARE, state);

/** Everything a step can say to a shopper, state beside state. */
export function SideBySide({ store, example, offer, step, surface, locale }: Props) {
  return (
    <ul aria-label={say("All states")} className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-2">
      {MESSAGE_STATES.map((state) => {
        const texts = textsFor(step.wording, store.wording, surface, [state]);
        const picked = texts && pickText(texts, locale, []);
        const said = picked && example({ offer: offer.id, step: step.id, state }, picked);
        const share = hasShare(state) ? SHARE[state] : null;
        return (
          <li key={state} className="border border-base-300 bg-base-100 p-2.5">
            <p className="text-[13px] text-quiet">{say(STATE_WORDS[state])}</p>
            <p className={`text-[14px] font-semibold ${said ? "" : "text-quiet"}`} lang={picked?.locale} dir="auto">
              {said ? ("text" in said ? said.text : say(said.problem)) : say("says nothing")}
            </p>
            {said && share !== null && (
              <ProgressDisplay
                display={store.display ?? PLAIN_DISPLAY}
                ladder={[
                  { goal: 10, counted: Math.round(share * 10), reached: share === 1, measure: offer.counts.kind },
                ]}
                label={say(STATE_WORDS[state])}
              />
            )}
          </li>
        );
      })}
    </ul>
  );
}
