import { phrase } from "../../phrases/phrase.ts";
import { STORE_ID } from "../../plan/entities.ts";
import { type Check, onZone } from "../check.ts";

/** A plan that sells nothing anywhere: what to do first. */
export const nothingOfferedYet: Check = {
  code: "nothing-offered-yet",
  severity: "risky",
  *find({ plan }) {
    const at = { kind: "store" as const, id: STORE_ID, path: "" };
    const [zone] = plan.zones;
    if (plan.markets.length === 0)
      yield {
        sentence: phrase(
          "Nothing is sold anywhere yet. First add a market with the country you sell to, under Places.",
        ),
        at,
        witness: null,
      };
    else if (!zone)
      yield {
        sentence: phrase("No market has a zone yet: under Places, say which countries or postcodes one delivers to."),
        at,
        witness: null,
      };
    else if (plan.options.length === 0)
      yield {
        sentence: phrase("There is no way of delivery yet: under Delivery, add an option with its price for {name}.", {
          name: zone.name,
        }),
        at: onZone(zone.id),
        witness: null,
      };
  },
};
