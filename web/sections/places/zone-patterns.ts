import type { Zone } from "../../../core/places/market.ts";
import { outlyingRegions } from "../../../core/places/outlying.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { say } from "../../language/say.ts";

/** A common zone, as far as the plan has none: what it is called and the places it claims. */
export type ZonePattern = { readonly id: string; readonly name: string; readonly destinations: Zone["destinations"] };

/** The countries whose currency is the euro, 2026. From memory. */
const EURO_AREA = "AT BE BG CY DE EE ES FI FR GR HR IE IT LT LU LV MT NL PT SI SK".split(" ");

/**
 * Zones that a market may be missing: outlying regions of the countries it sells to, the euro area's other countries, the rest of the
 * world. What another zone claims already is left out.
 *
 * @example zonePatterns(plan, "spain", nameOf)[0] // { name: "Islands and outlying regions of Spain", destinations: [{ region: "ES-CN" }, …] }
 */
export function zonePatterns(plan: Plan, market: string, nameOf: (code: string) => string): ZonePattern[] {
  const all = plan.zones.flatMap(({ destinations }) => destinations);
  const regions = new Set(all.flatMap((one) => ("region" in one ? one.region : [])));
  const countries = new Set(all.flatMap((one) => ("country" in one && !one.postcodes ? one.country : [])));
  const own = plan.zones.filter((zone) => zone.market === market).flatMap(({ destinations }) => destinations);
  const sold = [...new Set(own.flatMap((one) => ("country" in one ? one.country : [])))];
  const outlying = sold.flatMap((country): ZonePattern[] => {
    const left = outlyingRegions(country).filter((region) => !regions.has(region));
    if (left.length === 0) return [];
    const name = say("Islands and outlying regions of {country}", { country: nameOf(country) });
    return [{ id: `outlying-${country}`, name, destinations: left.map((region) => ({ region })) }];
  });
  const euro = EURO_AREA.filter((country) => !countries.has(country));
  const usesEuro = plan.markets.some(({ id, currencies }) => id === market && currencies.includes("EUR"));
  return [
    ...outlying,
    ...(usesEuro && euro.length > 0
      ? [
          {
            id: "euro-area",
            name: say("Other countries of the euro area"),
            destinations: euro.map((country) => ({ country })),
          },
        ]
      : []),
    ...(all.some((one) => "restOfWorld" in one)
      ? []
      : [{ id: "rest", name: say("The rest of the world"), destinations: [{ restOfWorld: true as const }] }]),
  ];
}
