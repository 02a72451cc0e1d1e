import { chargeWords } from "../../core/charges/words.ts";
import { offerDetails } from "../../core/explain/offer-details.ts";
import { offerSentence, wholeSentence } from "../../core/explain/offer-sentence.ts";
import { joined, phrase } from "../../core/phrases/phrase.ts";
import type { Market } from "../../core/places/market.ts";
import { destinationWords } from "../../core/places/words.ts";
import { ENTITY_KINDS, type Entity } from "../../core/plan/entities.ts";
import { type Plan, ratesOf, savedOf } from "../../core/plan/plan.ts";
import { say } from "../language/say.ts";
import { locationNameIn } from "./location-name.ts";

/** What a thing of the plan is called. @example entityName({ kind: "zone", id: "pt", body: { name: "Portugal", … } }) // "Portugal" */
export function entityName({ id, body }: Entity): string {
  if (!("name" in body)) return id;
  return typeof body.name === "string" ? body.name : (body.name.en ?? Object.values(body.name)[0] ?? id);
}

/** So many are named; the rest are told by their number. */
const MOST_NAMED = 4;

/** Things in a row, by kind and name. @example namesOf(users) // "zone “Madeira”, offer “Free post” and 3 more" */
export function namesOf(entities: readonly Entity[]): string {
  const named = entities
    .slice(0, MOST_NAMED)
    .map((entity) =>
      entity.kind === "store"
        ? say("the store")
        : say("{kind} “{name}”", { kind: ENTITY_KINDS[entity.kind].words, name: entityName(entity) }),
    );
  const more = entities.length - named.length;
  return more > 0 ? say("{named} and {more} more", { named: named.join(", "), more }) : named.join(", ");
}

/** What a thing of the plan says, in a sentence where there is one. @param currency shown where the market takes it */
export function entityWords(entity: Entity, plan: Plan, market: Market | null, currency: string): string {
  const shownIn = market?.currencies.includes(currency) ? currency : (market?.currencies[0] ?? currency);
  if (entity.kind === "offer" && market) {
    const sentence = wholeSentence(offerSentence(plan, entity.body, market.id, shownIn));
    const details = offerDetails(entity.body, {
      zone: null,
      market: market.id,
      currency: shownIn,
      rates: ratesOf(plan),
    });
    return say("{sentence} It {details}.", { sentence, details: joined(details, "; ") });
  }
  if (entity.kind === "option") {
    const context = {
      ...{ zone: null, market: market?.id ?? "", currency: shownIn, rates: ratesOf(plan) },
      locationName: locationNameIn(plan),
    };
    const values = { name: entityName(entity), charge: chargeWords(entity.body.charge, context, savedOf(plan)) };
    return entity.body.on === false ? say("{name}: {charge}, switched off", values) : say("{name}: {charge}", values);
  }
  if (entity.kind === "zone") {
    const { name, destinations, standardTaxRate, on } = entity.body;
    const places =
      destinations.length === 0
        ? phrase("no place")
        : joined(
            destinations.map((one) => destinationWords(one, (code) => code)),
            "; ",
          );
    const values = { name, places, tax: standardTaxRate };
    return on === false
      ? say("{name}: {places}, tax {tax}%, switched off", values)
      : say("{name}: {places}, tax {tax}%", values);
  }
  return entityName(entity);
}
