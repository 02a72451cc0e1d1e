import { codesIn } from "../../measures/basis.ts";
import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";

/** A goal that counts goods before discounts: shoppers reach it without paying as much. */
export const basisBeforeDiscounts: Check = {
  code: "basis-before-discounts",
  severity: "odd",
  *find({ plan }) {
    for (const offer of plan.offers) {
      if (!offer.on || offer.counts.kind !== "value") continue;
      const { basis } = offer.counts;
      if (basis.lineDiscounts === "in" && basis.orderDiscounts === "in" && codesIn(basis) === "in") continue;
      const { codes: _, ...rest } = basis;
      yield {
        sentence: phrase(
          "“{name}” counts goods before discounts: a shopper can reach its goal and pay less than it says.",
          { name: offer.name },
        ),
        at: onOffer(offer, "/counts/basis"),
        witness: null,
        fix: {
          words: phrase("Count what is left after discounts"),
          changes: [
            {
              kind: "offer",
              id: offer.id,
              body: {
                ...offer,
                counts: { kind: "value", basis: { ...rest, lineDiscounts: "in", orderDiscounts: "in" } },
              },
            },
          ],
        },
      };
    }
  },
};
