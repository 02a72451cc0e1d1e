import { chargeWords } from "../../../core/charges/words.ts";
import { offerSentence } from "../../../core/explain/offer-sentence.ts";
import type { Market } from "../../../core/places/market.ts";
import { destinationWords } from "../../../core/places/words.ts";
import type { Entity, EntityKind } from "../../../core/plan/entities.ts";
import { type Plan, ratesOf, savedOf } from "../../../core/plan/plan.ts";

type Props = {
  kind: EntityKind;
  before: Entity | null;
  after: Entity | null;
  plan: Plan;
  market: Market | null;
  currency: string;
};

/** One thing as it was and as it shall be, in words. */
export function EntityChange({ kind, before, after, plan, market, currency }: Props) {
  const words = (entity: Entity) => entityWords(entity, plan, market, currency);
  return (
    <li>
      <p className="text-[13px] text-quiet">
        {before === null ? "New" : after === null ? "Removed" : "Changed"} {kind}
      </p>
      {before && <p className={after ? "text-quiet line-through" : ""}>{words(before)}</p>}
      {after && <p className="font-semibold">{words(after)}</p>}
    </li>
  );
}

function entityWords(entity: Entity, plan: Plan, market: Market | null, currency: string): string {
  const shownIn = market?.currencies.includes(currency) ? currency : (market?.currencies[0] ?? currency);
  if (entity.kind === "offer" && market) {
    return offerSentence(plan, entity.body, market.id, shownIn)
      .map(({ text }) => text)
      .join("");
  }
  if (entity.kind === "option") {
    const context = { market: market?.id ?? "", currency: shownIn, rates: ratesOf(plan) };
    const off = entity.body.on === false ? ", switched off" : "";
    return `${Object.values(entity.body.name)[0] ?? entity.id}: ${chargeWords(entity.body.charge, context, savedOf(plan))}${off}`;
  }
  if (entity.kind === "zone") {
    const { name, destinations, standardTaxRate, on } = entity.body;
    const places = destinations.map((one) => destinationWords(one, (code) => code)).join("; ");
    return `${name}: ${places || "no place"}, tax ${standardTaxRate}%${on === false ? ", switched off" : ""}`;
  }
  return "name" in entity.body && typeof entity.body.name === "string" ? entity.body.name : entity.id;
}
