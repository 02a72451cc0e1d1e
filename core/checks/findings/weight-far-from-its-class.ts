import { phrase } from "../../phrases/phrase.ts";
import { visitCharges } from "../../plan/visit-charges.ts";
import { type Check, onOption } from "../check.ts";

/** How many times its class's middle weight is too much to believe. */
const FAR = 20;
const FEWEST = 4;

/** A weight far from that of its like: made up to force a band, or a slip of a unit. */
export const weightFarFromItsClass: Check = {
  code: "weight-far-from-its-class",
  severity: "odd",
  *find({ plan, around }) {
    const byWeight = visitCharges(plan).find(({ charge }) => charge.kind === "bands" && charge.by.kind === "weight");
    if (!byWeight) return;
    const classes = new Map<string, { name: string; weight: number }[]>();
    for (const { name, weight, parcelClass } of around.products) {
      if (weight === null || weight === 0) continue;
      if (parcelClass !== undefined) classes.set(parcelClass, [...(classes.get(parcelClass) ?? []), { name, weight }]);
    }
    for (const [key, products] of classes) {
      if (products.length < FEWEST) continue;
      const middle = products.map(({ weight }) => weight).sort((a, b) => a - b)[Math.floor(products.length / 2)] ?? 0;
      for (const { name, weight } of products)
        if (weight > middle * FAR || weight * FAR < middle)
          yield {
            sentence: phrase(
              "{name} weighs {weight} g, others in {key} about {middle} g: charges by weight take it at its word.",
              { name, weight: weight / 1000, key, middle: middle / 1000 },
            ),
            at: onOption(byWeight.option, byWeight.path),
            witness: null,
          };
    }
  },
};
