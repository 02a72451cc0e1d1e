import { joined, type Phrase, type PhraseValue, phrase } from "../phrases/phrase.ts";
import type { ZoneDestination } from "./destination.ts";

/**
 * A destination in words. Countries and regions are named by whoever asks.
 *
 * @example destinationWords({ country: "PT", exceptRegions: ["PT-30"] }, nameOf) // "Portugal except Madeira"
 */
export function destinationWords(destination: ZoneDestination, nameOf: (code: string) => PhraseValue): Phrase {
  const list = (codes: readonly string[]) => joined(codes.map(nameOf), ", ");
  if ("restOfWorld" in destination) {
    const { exceptCountries } = destination;
    return exceptCountries?.length
      ? phrase("Rest of the world except {list}", { list: list(exceptCountries) })
      : phrase("Rest of the world");
  }
  const without = destination.exceptPostcodes?.length
    ? phrase(" except postcodes {postcodes}", { postcodes: destination.exceptPostcodes.join(", ") })
    : "";
  if ("region" in destination) return joined([nameOf(destination.region), without], "");
  const { country, postcodes, exceptRegions } = destination;
  const place = nameOf(country);
  if (postcodes)
    return phrase("{place}, postcodes {postcodes}{without}", { place, postcodes: postcodes.join(", "), without });
  const except = exceptRegions?.length ? phrase(" except {list}", { list: list(exceptRegions) }) : "";
  return joined([place, except, without], "");
}

/** A country by its name, a region by its code. */
export const placeName = (code: string): PhraseValue => (code.includes("-") ? code : { code, type: "region" });
