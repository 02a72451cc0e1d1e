import { shapeOf } from "../../conditions/condition.ts";
import { conditionKind } from "../../conditions/registry.ts";
import { visitCondition } from "../../conditions/visit.ts";
import { canBePostcode, postcodePattern } from "../../places/postcode.ts";
import { askedConditions } from "../asked-conditions.ts";
import { type Check, onZone } from "../check.ts";

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
    for (const { condition, at, whose } of askedConditions(plan)) {
      for (const { condition: part } of visitCondition(condition)) {
        const shape = shapeOf(part);
        const asked =
          shape.role === "plain" ? conditionKind(shape.condition).places(shape.condition).postcodes : undefined;
        const found = asked ? junk(asked.country, asked.patterns) : [];
        if (!asked || found.length === 0) continue;
        yield {
          sentence: `${whose} asks for ${list(found.slice(0, 5))}, which no address in ${around.placeName(asked.country)} has.`,
          at,
          witness: null,
        };
      }
    }
  },
};
