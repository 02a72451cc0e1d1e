import type { LadderMark } from "../../../core/measures/measure-spec.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import { goalOf } from "../../../core/offers/trigger.ts";
import { FIRST_UNITS, type UnitSystem } from "../../names/units.ts";

/** A goal in the terms the ladder is measured by. */
export function firstMark({ counts, steps }: Pick<Offer, "counts" | "steps">, system: UnitSystem): LadderMark {
  if (counts.kind === "items") return { items: 5 };
  if (counts.kind === "weight") return { weight: { value: "5", unit: FIRST_UNITS[system].parcel } };
  const amount = steps
    .map((step) => goalOf(step.trigger)?.at)
    .find((at) => at && ("byCurrency" in at || "byMarket" in at || "byZone" in at));
  return amount ?? { byCurrency: {} };
}
