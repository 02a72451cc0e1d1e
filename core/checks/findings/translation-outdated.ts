import { phrase } from "../../phrases/phrase.ts";
import { isOutdated, sourceLanguageOf, translationUnits } from "../../translation/translation-units.ts";
import { type Check, onOffer } from "../check.ts";

/** A translation whose source has changed since it was made. */
export const translationOutdated: Check = {
  code: "translation-outdated",
  severity: "risky",
  *find({ plan }) {
    const source = sourceLanguageOf(plan);
    for (const unit of translationUnits(plan)) {
      if (unit.offer === null) continue;
      for (const locale of Object.keys(unit.texts))
        if (isOutdated(unit, locale, source))
          yield {
            sentence: phrase(
              "The {locale} text for “{state}” was translated from a text that has changed since: “{text}”.",
              { locale, state: unit.state, text: unit.texts[locale] ?? "" },
            ),
            at: onOffer(
              { id: unit.offer },
              `/steps/${plan.offers.find(({ id }) => id === unit.offer)?.steps.findIndex(({ id }) => id === unit.step) ?? 0}/wording`,
            ),
            witness: null,
          };
    }
  },
};
