import { missingPlurals } from "../../messages/wording.ts";
import { phrase } from "../../phrases/phrase.ts";
import { translationUnits } from "../../translation/translation-units.ts";
import { type Check, onOffer } from "../check.ts";

/** A text that leaves out plural forms its language has. */
export const pluralMissing: Check = {
  code: "plural-missing",
  severity: "risky",
  *find({ plan, list }) {
    for (const unit of translationUnits(plan)) {
      if (unit.offer === null) continue;
      for (const [locale, text] of Object.entries(unit.texts))
        for (const { placeholder, forms } of missingPlurals(text, locale))
          yield {
            sentence: phrase("A text in {language} has no form for {list} of '{'{placeholder}'}': “{text}”.", {
              language: { code: locale, type: "language" },
              list: list(forms),
              placeholder,
              text,
            }),
            at: onOffer({ id: unit.offer }, "/steps"),
            witness: null,
          };
    }
  },
};
