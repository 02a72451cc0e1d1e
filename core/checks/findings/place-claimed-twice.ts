import { phrase } from "../../phrases/phrase.ts";
import { claimsPlaces } from "../../places/market.ts";
import { placeName } from "../../places/words.ts";
import { byPosition } from "../../schema/atoms.ts";
import { type Check, onZone } from "../check.ts";

/** The very same place in two zones: the first by order wins, and nobody sees why. */
export const placeClaimedTwice: Check = {
  code: "place-claimed-twice",
  severity: "odd",
  *find({ plan, list }) {
    const claims = new Map<string, { id: string; name: string }[]>();
    for (const zone of [...plan.zones].sort(byPosition)) {
      if (!claimsPlaces(zone)) continue;
      for (const destination of zone.destinations) {
        const code =
          "region" in destination
            ? destination.region
            : "country" in destination && !destination.postcodes
              ? destination.country
              : undefined;
        if (code !== undefined) claims.set(code, [...(claims.get(code) ?? []), zone]);
      }
    }
    for (const [code, [first, ...others]] of claims) {
      if (!first || others.length === 0) continue;
      const rivals = list(others.map(({ name }) => name));
      const mended = others.flatMap(({ id }) => {
        const zone = plan.zones.find((one) => one.id === id);
        if (!zone) return [];
        const destinations = zone.destinations.filter(
          (one) =>
            !("region" in one ? one.region === code : "country" in one && one.country === code && !one.postcodes),
        );
        return [{ kind: "zone" as const, id, body: { ...zone, destinations } }];
      });
      yield {
        sentence: phrase("{name} serves {place}, which {rivals} claims too; the first by order wins.", {
          name: first.name,
          place: placeName(code),
          rivals,
        }),
        at: onZone(first.id, "/destinations"),
        witness: null,
        fix: {
          words: phrase("Take {place} out of {rivals}", { place: placeName(code), rivals }),
          changes: mended,
        },
      };
    }
  },
};
