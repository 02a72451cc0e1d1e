import type { Location } from "../../../core/places/location.ts";
import type { Market, Zone } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { freeId, lastPosition } from "../../../core/schema/positions.ts";
import { say } from "../../language/say.ts";

// What markets, zones and locations start as.

export function newMarket(plan: Plan): Market {
  const id = freeId(
    "market",
    plan.markets.map((one) => one.id),
  );
  return {
    id,
    position: lastPosition(plan.markets),
    name: say("New market"),
    currencies: ["EUR"],
    languages: ["en"],
    timeZone: "Europe/Lisbon",
    pricesIncludeTax: true,
  };
}

export function newZone(plan: Plan, market: string): Zone {
  const id = freeId(
    "zone",
    plan.zones.map((one) => one.id),
  );
  return {
    id,
    position: lastPosition(plan.zones),
    market,
    name: say("New zone"),
    destinations: [],
    standardTaxRate: "0",
  };
}

export function newLocation(plan: Plan): Location {
  const locations = plan.locations ?? [];
  const id = freeId(
    "location",
    locations.map((one) => one.id),
  );
  return {
    id,
    position: lastPosition(locations),
    name: { en: say("New location") },
    at: [0, 0],
    country: "PT",
    timeZone: plan.markets[0]?.timeZone ?? "UTC",
    openingHours: [{ days: [1, 2, 3, 4, 5], from: "09:00", until: "18:00" }],
  };
}
