import type { StepWording } from "../../messages/step-wording.ts";
import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";

const SAID = ["empty", "on-the-way", "nearly-there", "between", "reached", "top", "code-missing", "sign-in"] as const;

/** Offers that shoppers read nothing of, wherever they stand: they find out at the till, if at all. */
export const offerSaysNothing: Check = {
  code: "offer-says-nothing",
  severity: "odd",
  *find({ plan }) {
    if (speaks(plan.store.wording)) return;
    for (const offer of plan.offers) {
      if (!offer.on || offer.steps.some(({ wording }) => speaks(wording))) continue;
      yield {
        sentence: phrase("Shoppers read nothing of “{name}”: it has no text for any state.", { name: offer.name }),
        at: onOffer(offer, "/steps"),
        witness: null,
      };
    }
  },
};

const speaks = (wording: StepWording | undefined): boolean =>
  wording !== undefined &&
  [wording, ...Object.values(wording.on ?? {})].some((texts) =>
    SAID.some((state) => Object.keys(texts?.[state] ?? {}).length > 0),
  );
