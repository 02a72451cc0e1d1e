import type { ZoneDestination } from "./destination.ts";

/**
 * A destination as a phrase. Countries and regions are named by whoever asks, in the reader's language.
 *
 * @example destinationWords({ country: "PT", exceptRegions: ["PT-30"] }, nameOf) // "Portugal except Madeira"
 */
export function destinationWords(destination: ZoneDestination, nameOf: (code: string) => string): string {
  const list = (codes: readonly string[]) => codes.map(nameOf).join(", ");
  if ("restOfWorld" in destination) {
    const { exceptCountries } = destination;
    return exceptCountries?.length ? `Rest of the world except ${list(exceptCountries)}` : "Rest of the world";
  }
  const without = destination.exceptPostcodes?.length
    ? ` except postcodes ${destination.exceptPostcodes.join(", ")}`
    : "";
  if ("region" in destination) return `${nameOf(destination.region)}${without}`;
  const { country, postcodes, exceptRegions } = destination;
  if (postcodes) return `${nameOf(country)}, postcodes ${postcodes.join(", ")}${without}`;
  return `${nameOf(country)}${exceptRegions?.length ? ` except ${list(exceptRegions)}` : ""}${without}`;
}
