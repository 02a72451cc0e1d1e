import { canBePostcode, normalPostcode } from "../postcodes/postcode.ts";
import type { Destination } from "../request/request.ts";
import { regionAround } from "./region-tables.ts";
import { parentOf, regionsOf, territoryOf } from "./territory.ts";

/** What an address says that cannot be: a postcode its country does not have, or one of another region than is told. */
export type AddressNote = "postcode-unreadable" | "region-contradicts-postcode";

/** A destination with its codes made one: a territory is named both as a country and as a region. */
export type Place = {
  /** The narrowest country code first, then the one it is listed under. */
  readonly countries: readonly string[];
  /** The region and those around it (ISO 3166-2 has levels). */
  readonly regions: readonly string[];
  /** Whether it lies in these regions and no others; else it may lie in any. */
  readonly regionKnown: boolean;
  /** Null while it is not known, or cannot be read. */
  readonly postcode: string | null;
  readonly note?: AddressNote;
};

export function placeOf({ country, region, postcode }: Destination): Place {
  const territory = (region && territoryOf(region)) ?? (country && parentOf(country) ? country : undefined);
  const home = territory ? parentOf(territory) : (country ?? region?.slice(0, 2));
  const countries = [territory, home].filter((code) => code !== undefined);
  const regions = [...new Set([...(region ? withAround(region) : []), ...(territory ? regionsOf(territory) : [])])];
  const regionKnown = regions.length > 0;
  const typed = postcode?.trim() ?? "";
  if (typed === "" || !home) return { countries, regions, regionKnown, postcode: null };
  const normal = normalPostcode(home, typed);
  return canBePostcode(home, normal)
    ? { countries, regions, regionKnown, postcode: normal }
    : { countries, regions, regionKnown, postcode: null, note: "postcode-unreadable" };
}

/** A region and every one around it. @example withAround("ES-GC") // ["ES-GC", "ES-CN"] */
export function withAround(region: string): string[] {
  const around = regionAround(region);
  return around === undefined ? [region] : [region, ...withAround(around)];
}
