import { phrase } from "../../phrases/phrase.ts";
import { placeOf } from "../../places/place.ts";
import { possiblePlaces } from "../../places/possible-places.ts";
import { placeName } from "../../places/words.ts";
import type { Check } from "../check.ts";

/** An address kept to look from whose region and postcode do not go together, or whose postcode is none of its country. */
export const regionContradictsPostcode: Check = {
  code: "region-contradicts-postcode",
  severity: "odd",
  *find({ compiled, around }) {
    for (const { whose, destination } of around.addresses) {
      const [place] = possiblePlaces(placeOf(destination), compiled.named);
      if (!place?.note) continue;
      const { region = "", postcode = "", country = region.slice(0, 2) } = destination;
      yield {
        sentence:
          place.note === "postcode-unreadable"
            ? phrase("{whose} has the postcode {postcode}, which is none of {place}.", {
                whose,
                postcode,
                place: placeName(country),
              })
            : phrase("{whose} lies in {place}, where no postcode is {postcode}; the region is kept.", {
                whose,
                place: placeName(region || country),
                postcode,
              }),
        at: { kind: "store", id: "store", path: "" },
        witness: null,
      };
    }
  },
};
