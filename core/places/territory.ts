/**
 * Territories that ISO 3166 writes two ways: as a country of their own (3166-1) and as a region of another (3166-2).
 * Source: the remarks of ISO 3166-2 for CN, FI, FR, NL, NO and US, as far as both codes name the same area.
 */
const REGIONS_OF_TERRITORY: Readonly<Record<string, readonly string[]>> = {
  AS: ["US-AS"],
  AW: ["NL-AW"],
  AX: ["FI-01"],
  BL: ["FR-BL"],
  BQ: ["NL-BQ1", "NL-BQ2", "NL-BQ3"],
  CW: ["NL-CW"],
  GF: ["FR-973"],
  GP: ["FR-971"],
  GU: ["US-GU"],
  HK: ["CN-HK"],
  MF: ["FR-MF"],
  MO: ["CN-MO"],
  MP: ["US-MP"],
  MQ: ["FR-972"],
  NC: ["FR-NC"],
  PF: ["FR-PF"],
  PM: ["FR-PM"],
  PR: ["US-PR"],
  RE: ["FR-974"],
  SJ: ["NO-21", "NO-22"],
  SX: ["NL-SX"],
  TF: ["FR-TF"],
  TW: ["CN-TW"],
  UM: ["US-UM"],
  VI: ["US-VI"],
  WF: ["FR-WF"],
  YT: ["FR-976"],
};

const TERRITORY_OF_REGION = new Map(
  Object.entries(REGIONS_OF_TERRITORY).flatMap(([territory, regions]) =>
    regions.map((region): [string, string] => [region, territory]),
  ),
);

/** The country code a region has of its own, if it has one. @example territoryOf("US-PR") // "PR" */
export const territoryOf = (region: string): string | undefined => TERRITORY_OF_REGION.get(region);

/** The regions that are the same place as a country code. @example regionsOf("PR") // ["US-PR"] */
export const regionsOf = (territory: string): readonly string[] => REGIONS_OF_TERRITORY[territory] ?? [];

/** The country a territory is listed under. @example parentOf("PR") // "US" */
export const parentOf = (territory: string): string | undefined => regionsOf(territory)[0]?.slice(0, 2);

/** The territories listed under a country. @example territoriesUnder("FI") // ["AX"] */
export const territoriesUnder = (country: string): string[] =>
  Object.keys(REGIONS_OF_TERRITORY).filter((territory) => parentOf(territory) === country);
