import { phrase } from "../../phrases/phrase.ts";
import { type Check, onZone } from "../check.ts";

/** A zone in which nobody can check out. */
export const zoneWithoutOptions: Check = {
  code: "zone-without-options",
  severity: "wrong",
  *find(context) {
    for (const zone of context.plan.zones) {
      const { options } = context.there(zone.id);
      if (zone.on === false || options.some(({ isCollected }) => !isCollected)) continue;
      if (options.length > 0) {
        yield {
          severity: "risky",
          sentence: phrase("Nothing is delivered in {name}: shoppers there can only collect.", { name: zone.name }),
          at: onZone(zone.id),
          witness: null,
        };
        continue;
      }
      yield {
        sentence: phrase("{name} has no delivery option: nobody there can check out.", { name: zone.name }),
        at: onZone(zone.id),
        witness: null,
      };
    }
  },
};
