import type { Market, Zone } from "../../../core/places/market.ts";
import { type Entity, entitiesOf, STORE_ID } from "../../../core/plan/entities.ts";
import { FORMAT, type Plan, type Store } from "../../../core/plan/plan.ts";
import { say } from "../../language/say.ts";
import { newOffer } from "../offers/new-offer.ts";
import { newMarket, newZone } from "../places/new-place.ts";

/** Where a new store sells first. */
export type FirstPlace = {
  readonly country: string;
  /** What the country is called. */
  readonly name: string;
  readonly currency: string;
  readonly language: string;
  readonly timeZone: string;
};

/** Countries whose prices are shown without tax. Common practice, no source. */
const WITHOUT_TAX: ReadonlySet<string> = new Set(["US", "CA"]);

/**
 * What a new store begins with: its settings alone, or a first market and zone too, or a way of delivering and an offer on top, all
 * of it ordinary settings to be changed.
 *
 * @example beginning("Quill", { country: "PT", … }, true).map(({ kind }) => kind) // ["store", "market", "zone", "option", "offer"]
 */
export function beginning(name: string, first: FirstPlace | null, withDelivery: boolean): Entity[] {
  const store: Store = { name, chosenAtFirst: { rule: "cheapest" } };
  const bare: Plan = { format: FORMAT, store, markets: [], zones: [], options: [], offers: [] };
  if (!first) return [{ kind: "store", id: STORE_ID, body: store }];
  const market: Market = {
    ...newMarket(bare),
    name: first.name,
    currencies: [first.currency],
    languages: [first.language],
    timeZone: first.timeZone,
    pricesIncludeTax: !WITHOUT_TAX.has(first.country),
  };
  const zone: Zone = {
    ...newZone(bare, market.id),
    name: first.name,
    destinations: [{ country: first.country }],
  };
  const placed: Plan = { ...bare, markets: [market], zones: [zone] };
  if (!withDelivery) return entitiesOf(placed);
  const five = { byCurrency: { [first.currency]: "5" } };
  const delivered: Plan = {
    ...placed,
    options: [
      {
        ...{ id: "standard", position: 10, name: { [first.language]: "Standard" }, zones: [zone.id] },
        charge: { kind: "flat", amount: five },
      },
    ],
  };
  const offer = newOffer(delivered, [zone.id], say("Free standard delivery"));
  return entitiesOf({ ...delivered, offers: offer ? [{ ...offer, on: true }] : [] });
}
