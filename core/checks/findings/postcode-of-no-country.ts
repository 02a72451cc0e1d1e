import { canBePostcode, postcodePattern } from "../../places/postcode.ts";
import { type Check, onZone } from "../check.ts";
import { statedConditions } from "../stated-conditions.ts";

/** A postcode written out that its country does not have: no address ever matches it. */
export const postcodeOfNoCountry: Check = {
  code: "postcode-of-no-country",
  severity: "risky",
  *find({ plan, around, list, zoneName }) {
    const junk = (country: string, patterns: readonly string[] = []) =>
      patterns.filter((text) => {
        const pattern = postcodePattern(country, text);
        return pattern?.exact && !canBePostcode(country, pattern.lead);
      });
    for (const zone of plan.zones) {
      for (const [i, destination] of zone.destinations.entries()) {
        if ("restOfWorld" in destination) continue;
        const country = "country" in destination ? destination.country : destination.region.slice(0, 2);
        const found = [
          ...junk(country, "country" in destination ? destination.postcodes : []),
          ...junk(country, destination.exceptPostcodes),
        ];
        if (found.length === 0) continue;
        yield {
          sentence: `${zoneName(zone.id)} names ${list(found.slice(0, 5))}, which no address in ${around.placeName(country)} has.`,
          at: onZone(zone.id, `/destinations/${i}`),
          witness: null,
        };
      }
    }
    for (const { condition, at, whose } of statedConditions(plan)) {
      const open = [condition];
      for (let one = open.pop(); one !== undefined; one = open.pop()) {
        if (one.kind === "all" || one.kind === "any") open.push(...one.of);
        else if (one.kind === "not") open.push(one.of);
        const found = one.kind === "postcode" ? junk(one.country, one.patterns) : [];
        if (one.kind !== "postcode" || found.length === 0) continue;
        yield {
          sentence: `${whose} asks for ${list(found.slice(0, 5))}, which no address in ${around.placeName(one.country)} has.`,
          at,
          witness: null,
        };
      }
    }
  },
};
