import { shapeOf } from "../../conditions/condition.ts";
import { conditionKind } from "../../conditions/registry.ts";
import { visitCondition } from "../../conditions/visit.ts";
import { type Phrase, phrase } from "../../phrases/phrase.ts";
import { placeName } from "../../places/words.ts";
import type { Plan } from "../../plan/plan.ts";
import { canBePostcode, postcodePattern } from "../../postcodes/postcode.ts";
import { askedConditions } from "../asked-conditions.ts";
import { type Check, onZone } from "../check.ts";
import type { Finding } from "../finding.ts";

/** A postcode written out that its country does not have: no address ever matches it. */
export const postcodeOfNoCountry: Check = {
  code: "postcode-of-no-country",
  severity: "risky",
  *find({ plan, list }) {
    for (const { says, country, patterns, at } of [...inZones(plan), ...inConditions(plan)]) {
      const junk = patterns.filter((text) => isOfNoAddress(country, text));
      if (junk.length === 0) continue;
      yield {
        sentence: phrase("{says} {list}, which no address in {place} has.", {
          says,
          list: list(junk.slice(0, 5)),
          place: placeName(country),
        }),
        at,
        witness: null,
      };
    }
  },
};

function isOfNoAddress(country: string, text: string): boolean {
  const pattern = postcodePattern(country, text);
  return pattern?.exact === true && !canBePostcode(country, pattern.lead);
}

/** Postcodes where they are written, with the beginning of a sentence about them. */
type Written = {
  readonly says: Phrase;
  readonly country: string;
  readonly patterns: readonly string[];
  readonly at: Finding["at"];
};

const inZones = ({ zones }: Plan): Written[] =>
  zones.flatMap(({ id, name, destinations }) =>
    destinations.flatMap((destination, i): Written[] => {
      if ("restOfWorld" in destination) return [];
      const country = "country" in destination ? destination.country : destination.region.slice(0, 2);
      const named = "country" in destination ? (destination.postcodes ?? []) : [];
      const patterns = [...named, ...(destination.exceptPostcodes ?? [])];
      return [{ says: phrase("{name} names", { name }), country, patterns, at: onZone(id, `/destinations/${i}`) }];
    }),
  );

const inConditions = (plan: Plan): Written[] =>
  askedConditions(plan).flatMap(({ condition, at, whose }) =>
    [...visitCondition(condition)].flatMap(({ condition: part }): Written[] => {
      const shape = shapeOf(part);
      const asked =
        shape.role === "plain" ? conditionKind(shape.condition).places(shape.condition).postcodes : undefined;
      return asked ? [{ says: phrase("{whose} asks for", { whose }), ...asked, at }] : [];
    }),
  );
