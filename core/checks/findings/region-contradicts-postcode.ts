import { placeOf } from "../../places/place.ts";
import { possiblePlaces } from "../../places/possible-places.ts";
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
            ? `${whose} has the postcode ${postcode}, which is none of ${around.placeName(country)}.`
            : `${whose} lies in ${around.placeName(region || country)}, where no postcode is ${postcode}; the region is kept.`,
        at: { kind: "store", id: "store", path: "" },
        witness: null,
      };
    }
  },
};
