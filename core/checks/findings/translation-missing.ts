import { marketsOf } from "../../places/markets-of.ts";
import { sourceLanguageOf, translationUnits } from "../../translation/translation-units.ts";
import { type Check, onOffer } from "../check.ts";

/** Texts that some shoppers read in another language than their own. */
export const translationMissing: Check = {
  code: "translation-missing",
  severity: "odd",
  *find({ plan, list }) {
    const source = sourceLanguageOf(plan);
    const names = new Intl.DisplayNames(["en"], { type: "language" });
    for (const offer of plan.offers) {
      if (!offer.on) continue;
      // A market's home language is read by most of its shoppers.
      const read = new Set(marketsOf(plan, offer.zones).flatMap(({ languages }) => languages[0]?.split("-")[0] ?? []));
      const lacking = [...read].filter(
        (language) =>
          language !== source &&
          translationUnits(plan).some(
            (unit) => unit.offer === offer.id && unit.texts[language] === undefined && unit.state !== "covered",
          ),
      );
      if (lacking.length > 0)
        yield {
          sentence: `Some texts of “${offer.name}” are missing in ${list(lacking.map((language) => names.of(language) ?? language))}.`,
          at: onOffer(offer, "/steps"),
          witness: null,
        };
    }
  },
};
