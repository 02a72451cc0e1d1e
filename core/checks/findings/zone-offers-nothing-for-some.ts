import type { Condition } from "../../conditions/condition.ts";
import { phrase } from "../../phrases/phrase.ts";
import { type Check, onZone } from "../check.ts";

/** A zone in which every option has a condition, and some shopper meets none of them. */
export const zoneOffersNothingForSome: Check = {
  code: "zone-offers-nothing-for-some",
  severity: "risky",
  isSlow: true,
  *find(context) {
    for (const zone of context.plan.zones) {
      const { options } = context.there(zone.id);
      const conditions = options.map(({ asked }) => asked);
      if (zone.on === false || options.length === 0 || conditions.some((when) => when === undefined)) continue;
      const none: Condition = { kind: "any", of: conditions.filter((when) => when !== undefined) };
      const decision = context.decide([zone.id], none, false);
      if (decision.kind !== "witness") continue;
      yield {
        sentence: phrase("In {name} some carts are offered no delivery at all: every option there has a condition.", {
          name: zone.name,
        }),
        at: onZone(zone.id),
        witness: decision.request,
      };
    }
  },
};
