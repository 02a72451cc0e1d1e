import { territoryOf } from "./territory.ts";

/**
 * Regions off a country's mainland that share its country code with it and are commonly delivered to apart: the Azores and
 * Madeira; the Canaries, the Balearics, Ceuta and Melilla; Alaska and Hawaii; Corsica; Sardinia and Sicily. From memory.
 */
const OFF_THE_MAINLAND: ReadonlySet<string> = new Set([
  "PT-20",
  "PT-30",
  "ES-CN",
  "ES-IB",
  "ES-CE",
  "ES-ML",
  "US-AK",
  "US-HI",
  "FR-20R",
  "IT-88",
  "IT-82",
]);

/** Whether a region lies apart from its country: off its mainland, or with a country code of its own. @example isOutlying("PT-30") // true */
export const isOutlying = (region: string): boolean =>
  OFF_THE_MAINLAND.has(region) || territoryOf(region) !== undefined;

/** The regions off a country's mainland that are commonly delivered to apart. @example outlyingRegions("PT") // ["PT-20", "PT-30"] */
export const outlyingRegions = (country: string): readonly string[] =>
  [...OFF_THE_MAINLAND].filter((region) => region.startsWith(`${country}-`));
