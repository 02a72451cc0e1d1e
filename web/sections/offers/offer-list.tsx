import { offerSentence, wholeSentence } from "../../../core/explain/offer-sentence.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import { offerState } from "../../../core/offers/offer-state.ts";
import { andList, phrase } from "../../../core/phrases/phrase.ts";
import type { Market } from "../../../core/places/market.ts";
import { movedEntities } from "../../../core/plan/moved-entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { Quote } from "../../../core/quote/answer/quote.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { OrderButtons } from "../../fields/order-buttons.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { momentOfYear } from "../../names/moment-words.ts";
import { draftStore } from "../../state/use-draft.ts";
import { CalendarStrip } from "./calendar-strip.tsx";
import { homeOf } from "./offer-home.ts";

type Props = {
  plan: Plan;
  market: Market | null;
  currency: string;
  at: number;
  /** What the current shopper gets. */
  quote: Quote | null;
  uses: Readonly<Record<string, number>>;
  onSelect: (id: string) => void;
};

const STATES = {
  off: phrase("Off"),
  on: phrase("On"),
  scheduled: phrase("Scheduled"),
  ended: phrase("Ended"),
} as const;

/** Every offer as its sentence, in order, with where it stands and what the current shopper has of it. */
export function OfferList({ plan, market, currency, at, quote, uses, onSelect }: Props) {
  const offers = [...plan.offers].sort(byPosition);
  return (
    <>
      <ol aria-label={say("All offers")}>
        {offers.map((offer, i) => {
          const home = homeOf(plan, offer, market);
          const shownIn = home?.currencies.includes(currency) ? currency : (home?.currencies[0] ?? currency);
          const { state, changes } = offerState(offer, home?.timeZone ?? "UTC", at);
          const sentence = home ? say(wholeSentence(offerSentence(plan, offer, home.id, shownIn))) : offer.name;
          return (
            <li key={offer.id} className="flex items-start gap-2 border-b border-base-300 py-2.5">
              <span className="flex flex-col">
                <OrderButtons
                  name={offer.name}
                  place={i}
                  of={offers.length}
                  onMove={(to) => draftStore.commit(...movedEntities(plan, "offer", offer.id, to))}
                />
              </span>
              <button
                type="button"
                className="min-w-0 flex-1 cursor-pointer text-left"
                onClick={() => onSelect(offer.id)}
              >
                <span
                  className={`block font-semibold text-balance ${state === "off" || state === "ended" ? "text-quiet" : ""}`}
                >
                  {sentence}
                </span>
                <span className="block text-[13px] text-quiet">
                  <strong className={state === "on" ? "text-primary" : ""}>{say(STATES[state])}</strong>
                  {changes !== null &&
                    `, ${state === "scheduled" ? say("from") : say("until")} ${momentOfYear(changes, home?.timeZone ?? "UTC")}`}
                  {" · "}
                  {offer.name}
                  {offer.purpose && `: ${offer.purpose}`}
                </span>
                <span className="block text-[13px]">
                  {standingWords(quote, offer)}
                  {offer.limits?.overall !== undefined &&
                    say(" · used {used} of {overall} times", {
                      used: uses[offer.id] ?? 0,
                      overall: offer.limits.overall,
                    })}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      <CalendarStrip plan={plan} market={market} at={at} onSelect={onSelect} />
    </>
  );
}

/** What the shopper looking on has of an offer, in a few words. */
function standingWords(quote: Quote | null, offer: Offer): string {
  if (!quote) return "";
  const given = quote.options.filter(
    ({ offers, price, fullPrice }) => offers.includes(offer.id) && price !== fullPrice,
  );
  if (given.length > 0) {
    const words = given.map(({ name, price, fullPrice }) => {
      const saved = (fullPrice ?? 0) - (price ?? 0);
      return say("{money} off {name}", { money: makersMoney(saved, quote.currency), name });
    });
    return say("This shopper gets {given}", { given: andList(words) });
  }
  const grants = quote.options.flatMap((option) => option.grants.filter((grant) => grant.offer === offer.id));
  if (grants.length > 0) return say("This shopper gets its gift or discount on the order");
  const steps = quote.progress.filter((step) => step.offer === offer.id);
  const open = steps.find(({ remaining }) => remaining !== null);
  if (open) return say("This shopper is on the way: {percent} %", { percent: open.percent });
  if (steps.length === 0) return say("Nothing for this shopper");
  return steps.some(({ state }) => state === "covered")
    ? say("This shopper has as much already")
    : say("Not for this shopper and cart");
}
