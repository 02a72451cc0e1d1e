import { phrase } from "../../phrases/phrase.ts";
import { undecidedBeginnings } from "../../places/possible-places.ts";
import { placeName } from "../../places/words.ts";
import { type Check, onZone } from "../check.ts";

/** Regions told apart that postcodes cannot tell: addresses without a region stay "from" prices to the end. */
export const regionUndecided: Check = {
  code: "region-undecided",
  severity: "risky",
  *find({ plan, compiled, list }) {
    for (const [country, regions] of compiled.named) {
      const open = undecidedBeginnings(country, compiled.named);
      if (open.length === 0) continue;
      const shown = open.filter((begin) => begin !== "").slice(0, 3);
      const which = open.includes("")
        ? phrase("an address with a postcode but no region")
        : open.length > 3
          ? phrase("a postcode that begins with {list} (and others)", { list: list(shown) })
          : phrase("a postcode that begins with {list}", { list: list(shown) });
      const first = plan.zones.find(({ destinations }) =>
        destinations.some((one) =>
          "region" in one ? one.region.startsWith(`${country}-`) : "country" in one && one.country === country,
        ),
      );
      const names = [...regions.keys()].slice(0, 3).map(placeName);
      yield {
        sentence: phrase(
          "In {place}, {which} does not tell whether it lies in {list}: such shoppers see “from” prices. Name postcodes instead of regions, or have the region asked for.",
          { place: placeName(country), which, list: list(names) },
        ),
        at: first ? onZone(first.id, "/destinations") : { kind: "store", id: "store", path: "" },
        witness: null,
      };
    }
  },
};
