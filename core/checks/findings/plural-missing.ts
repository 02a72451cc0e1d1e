import { missingPlurals } from "../../messages/wording.ts";
import { translationUnits } from "../../translation/translation-units.ts";
import { type Check, onOffer } from "../check.ts";

/** A text that leaves out plural forms its language has. */
export const pluralMissing: Check = {
  code: "plural-missing",
  severity: "risky",
  *find({ plan, list }) {
    const names = new Intl.DisplayNames(["en"], { type: "language" });
    for (const unit of translationUnits(plan)) {
      if (unit.offer === null) continue;
      for (const [locale, text] of Object.entries(unit.texts))
        for (const { placeholder, forms } of missingPlurals(text, locale))
          yield {
            sentence: `A text in ${names.of(locale) ?? locale} has no form for ${list(forms)} of {${placeholder}}: “${text}”.`,
            at: onOffer({ id: unit.offer }, "/steps"),
            witness: null,
          };
    }
  },
};
