import { phrase } from "../../phrases/phrase.ts";
import { type Check, onZone } from "../check.ts";

/** Zones in which shoppers have no choice: a dearer and quicker way, or a collection, is often forgotten there. */
export const zoneWithOneOption: Check = {
  code: "zone-with-one-option",
  severity: "odd",
  *find({ plan, optionName }) {
    const offered = new Map<string, string[]>();
    for (const { id, on, zones } of plan.options)
      if (on !== false) for (const zone of zones) offered.set(zone, [...(offered.get(zone) ?? []), id]);
    for (const zone of plan.zones) {
      const [only, ...others] = offered.get(zone.id) ?? [];
      if (zone.on === false || only === undefined || others.length > 0) continue;
      yield {
        sentence: phrase("In {name} shoppers have no choice: {option} is all there is.", {
          name: zone.name,
          option: optionName(only),
        }),
        at: onZone(zone.id),
        witness: null,
      };
    }
  },
};
