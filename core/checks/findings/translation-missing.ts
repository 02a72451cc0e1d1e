import { phrase } from "../../phrases/phrase.ts";
import { marketsOf } from "../../places/markets-of.ts";
import { sourceLanguageOf, translationUnits } from "../../translation/translation-units.ts";
import { type Check, onOffer } from "../check.ts";

/** Texts that some shoppers read in another language than their own. */
export const translationMissing: Check = {
  code: "translation-missing",
  severity: "odd",
  *find({ plan, list }) {
    const source = sourceLanguageOf(plan);
    const inWords = (languages: readonly string[]) => list(languages.map((code) => ({ code, type: "language" })));
    // A market's home language is read by most of its shoppers.
    const readIn = (zones: readonly string[]) => [
      ...new Set(marketsOf(plan, zones).flatMap(({ languages }) => languages[0]?.split("-")[0] ?? [])),
    ];
    for (const { id, on, name, zones, texts } of plan.notices ?? []) {
      const written = new Set(Object.keys(texts).map((locale) => locale.split("-")[0]));
      const everywhere = plan.zones.map((zone) => zone.id);
      const lacking = readIn(zones.length > 0 ? zones : everywhere).filter((language) => !written.has(language));
      if (on && lacking.length > 0)
        yield {
          sentence: phrase("The notice “{name}” is missing in {languages}.", { name, languages: inWords(lacking) }),
          at: { kind: "notice", id, path: "/texts" },
          witness: null,
        };
    }
    for (const offer of plan.offers) {
      if (!offer.on) continue;
      const lacking = readIn(offer.zones).filter(
        (language) =>
          language !== source &&
          translationUnits(plan).some(
            (unit) => unit.offer === offer.id && unit.texts[language] === undefined && unit.state !== "covered",
          ),
      );
      if (lacking.length > 0)
        yield {
          sentence: phrase("Some texts of “{name}” are missing in {languages}.", {
            name: offer.name,
            languages: inWords(lacking),
          }),
          at: onOffer(offer, "/steps"),
          witness: null,
        };
    }
  },
};
