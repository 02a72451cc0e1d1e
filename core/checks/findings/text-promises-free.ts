import { phrase } from "../../phrases/phrase.ts";
import { wordsOfKey } from "../../schema/key-words.ts";
import { translationUnits } from "../../translation/translation-units.ts";
import { type Check, onOffer } from "../check.ts";

/** "Free" in the languages we can read it in; "free up to" names its limit. */
const FREE = /\bfree\b(?! up to)|\bgrátis\b(?!, até)|\bgratuit|\bkostenlos/i;

/** A text that promises free delivery where the reward only makes it cheaper. */
export const textPromisesFree: Check = {
  code: "text-promises-free",
  severity: "wrong",
  *find({ plan }) {
    const offers = new Map(plan.offers.map((offer) => [offer.id, offer]));
    for (const unit of translationUnits(plan)) {
      const offer = offers.get(unit.offer ?? "");
      const step = offer?.steps.find(({ id }) => id === unit.step);
      if (!offer?.on || !step) continue;
      const { kind } = step.reward;
      if (kind === "free" || kind === "allowance" || kind === "gift" || kind === "option-price") continue;
      for (const text of Object.values(unit.texts))
        if (FREE.test(text))
          yield {
            sentence: phrase("A text of “{name}” promises free delivery, but its reward is {kind}: “{text}”.", {
              name: offer.name,
              kind: phrase(wordsOfKey(kind)),
              text,
            }),
            at: onOffer(offer, `/steps/${offer.steps.indexOf(step)}/wording/${unit.state}`),
            witness: null,
          };
    }
  },
};
