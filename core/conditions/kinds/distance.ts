import { distanceFrom } from "../../facts/place/distance.ts";
import { phrase } from "../../phrases/phrase.ts";
import { Distance, metres } from "../../quantities/quantity.ts";
import { closed, Id } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { COMPARISON_WORDS, Comparison, rangeOf } from "../compare.ts";
import { countedLeaf } from "../counted.ts";
import { defineCondition } from "../definition.ts";

/** How far it goes from one of the plan's locations, as the crow flies; unknown while the position is. */
export const distance = defineCondition({
  kind: "distance",
  family: "place",
  schema: Type.Object({ kind: Type.Literal("distance"), from: Id, is: Comparison, distance: Distance }, closed),
  example: { kind: "distance", from: "porto", is: "at-most", distance: { value: "10", unit: "km" } },
  compile: ({ from, is, distance: limit }, context) => {
    const measure = context.measureNumber({ kind: "distance", from }, "all");
    return countedLeaf(measure, is, metres(limit));
  },
  found: "distance",
  constrains: ({ from, is, distance: limit }) => ({
    fact: distanceFrom,
    within: { kind: "away", location: from, range: rangeOf(is, metres(limit)) },
  }),
  words: ({ from, is, distance: limit }, { locationName }) =>
    phrase("it goes {is} {value} {unit} from {location}", {
      is: COMPARISON_WORDS[is],
      value: limit.value,
      unit: limit.unit,
      location: locationName?.(from) ?? from,
    }),
  problems: ({ from }, path, { locations }) =>
    locations.has(from) ? [] : [{ path: `${path}/from`, message: phrase('there is no location "{from}"', { from }) }],
});
