import { type Condition, type SavedConditions, shapeOf } from "../conditions/condition.ts";
import { conditionKind, type PlainCondition } from "../conditions/registry.ts";
import { visitFollowing } from "../conditions/visit.ts";
import { codesAround, codesOf } from "../postcodes/whole-codes.ts";
import type { Destination } from "../request/request.ts";

/** Places that a condition speaks of, to be looked from besides those of the plan. */
export function placesNamed(condition: Condition, saved: SavedConditions): Destination[] {
  return [...visitFollowing(condition, saved)].flatMap((part) => {
    const shape = shapeOf(part);
    return shape.role === "plain" ? placesOf(shape.condition) : [];
  });
}

function placesOf(condition: PlainCondition): Destination[] {
  const { countries = [], regions = [], postcodes } = conditionKind(condition).places(condition);
  return [
    ...countries.map((country) => ({ country })),
    // A country among regions is one that lies in another; its codes are that other's.
    ...regions
      .filter((region) => region.includes("-"))
      .flatMap((region) => {
        const country = region.slice(0, 2);
        return codesOf(country).map((postcode) => ({ country, region, postcode }));
      }),
    ...(postcodes?.patterns ?? []).flatMap((pattern) =>
      codesAround(pattern).map((postcode) => ({ country: postcodes?.country ?? "", postcode })),
    ),
  ];
}
