import type { ReactNode } from "react";
import { conditionWords } from "../../../core/conditions/words.ts";
import { IS_OFF, offerDetails } from "../../../core/explain/offer-details.ts";
import { offerSentence } from "../../../core/explain/offer-sentence.ts";
import { amountFor } from "../../../core/money/amount.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import { offerState } from "../../../core/offers/offer-state.ts";
import type { Market } from "../../../core/places/market.ts";
import { ratesOf, savedOf } from "../../../core/plan/plan.ts";
import { AmountField } from "../../editors/amounts/amount-field.tsx";
import { spendGoal, withGoal } from "../../editors/amounts/with-goal.ts";
import { say, sayValue } from "../../language/say.ts";
import { momentOfYear } from "../../names/moment-words.ts";
import type { DraftState } from "../../state/draft-store.ts";
import { FindingsBeside } from "../../state/findings-context.tsx";
import { draftStore } from "../../state/use-draft.ts";
import { homeOf } from "./offer-home.ts";

type OfferHeadingProps = {
  offer: Offer;
  state: DraftState;
  market: Market | null;
  currency: string;
  at: number;
  children?: ReactNode;
};

/** An offer as its sentence, its goals to be changed where they stand. */
export function OfferHeading({ offer, state, market, currency, at, children }: OfferHeadingProps) {
  const { plan } = state;
  const home = plan && homeOf(plan, offer, market);
  if (!plan || !home) return null;
  const shownIn = home.currencies.includes(currency) ? currency : (home.currencies[0] ?? currency);
  const place = { zone: null, market: home.id, currency: shownIn };
  const parts = offerSentence(plan, offer, home.id, shownIn).map(({ text, step }) => ({ text: sayValue(text), step }));
  return (
    <section aria-label={offer.name} className="mt-1">
      <h2 className="text-[20px] leading-7 font-bold text-balance">
        {parts.map(({ text, step }, i) => {
          const at = spendGoal(offer.steps.find(({ id }) => id === step));
          // What follows a goal begins with a comma, which stays on the goal's line.
          const afterGoal = parts[i - 1]?.step !== undefined;
          if (!at || step === undefined) return <span key={text}>{afterGoal ? text.slice(1) : text}</span>;
          const edit = (minor: number) =>
            ({ kind: "offer", id: offer.id, body: withGoal(offer, step, place, minor) }) as const;
          return (
            <span key={step} className="whitespace-nowrap">
              <AmountField
                label={say("Goal")}
                shown={text}
                minor={amountFor(at, { ...place, rates: ratesOf(plan) })}
                currency={shownIn}
                onShow={(minor) => draftStore.show(edit(minor))}
                onCommit={(minor) => draftStore.commit(edit(minor))}
                onCancel={() => draftStore.cancel()}
              />
              {parts[i + 1]?.text[0]}
            </span>
          );
        })}
      </h2>
      <p className="text-[13px] text-quiet">
        {stateWords(offer, home.timeZone, at)} <span aria-hidden>·</span> {byItself(offer)} <span aria-hidden>·</span>{" "}
        {offerDetails(offer, { ...place, rates: ratesOf(plan) })
          .filter(({ message }) => message !== IS_OFF.message)
          .map((words) => say(words))
          .join("; ")}
        {offer.when && (
          <>
            {" "}
            <span aria-hidden>·</span>{" "}
            {say("for carts where {condition}", {
              condition: conditionWords(offer.when, { ...place, rates: ratesOf(plan) }, savedOf(plan)),
            })}
          </>
        )}
        {children}
      </p>
      <FindingsBeside kind="offer" id={offer.id} />
    </section>
  );
}

function stateWords(offer: Offer, timeZone: string, at: number): string {
  const { state, changes } = offerState(offer, timeZone, at);
  const moment = (time: number) => momentOfYear(time, timeZone);
  switch (state) {
    case "off":
      return say("Switched off");
    case "ended":
      return say("Ended");
    case "scheduled":
      return changes === null ? say("Starts later") : say("Starts {moment}", { moment: moment(changes) });
    case "on":
      return changes === null ? say("On") : say("On until {moment}", { moment: moment(changes) });
  }
}

const byItself = ({ steps }: Offer) =>
  steps.every(({ trigger }) => trigger.kind === "code" || trigger.kind === "goal-and-code")
    ? say("by code only")
    : say("applies by itself");
