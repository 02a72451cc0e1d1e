import { useMemo } from "react";
import { offerSentence, wholeSentence } from "../../../core/explain/offer-sentence.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { PatternList } from "../../fields/pattern-list.tsx";
import { say } from "../../language/say.ts";
import { newOffer, OFFER_PATTERNS } from "./new-offer.ts";

type Props = { plan: Plan; zone: string | null; currency: string; onAdd: (offer: Offer | null) => void };

/** Common offers, each with the sentence that it would be; switched off when it comes. */
export default function OfferPatterns({ plan, zone, currency, onAdd }: Props) {
  const patterns = useMemo(() => {
    const market = plan.zones.find(({ id }) => id === zone)?.market ?? "";
    return OFFER_PATTERNS.flatMap(({ id, name: called, make }) => {
      const name = say(called);
      const plain = newOffer(plan, zone === null ? [] : [zone], name);
      const offer = plain && make(plain, plan);
      return offer ? [{ id, name, says: [sentenceOf(plan, offer, market, currency)], onTake: () => onAdd(offer) }] : [];
    });
  }, [plan, zone, currency, onAdd]);
  return <PatternList label={say("Common offers")} patterns={patterns} />;
}

const sentenceOf = (plan: Plan, offer: Offer, market: string, currency: string): string =>
  say(wholeSentence(offerSentence(plan, offer, market, currency)));
