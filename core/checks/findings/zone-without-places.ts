import { phrase } from "../../phrases/phrase.ts";
import { type Check, onZone } from "../check.ts";

/** A zone that serves no place at all. */
export const zoneWithoutPlaces: Check = {
  code: "zone-without-places",
  severity: "risky",
  *find({ plan }) {
    for (const zone of plan.zones)
      if (zone.on !== false && zone.destinations.length === 0)
        yield {
          sentence: phrase("{name} serves no place: no shopper can be in it.", { name: zone.name }),
          at: onZone(zone.id, "/destinations"),
          witness: null,
        };
  },
};
