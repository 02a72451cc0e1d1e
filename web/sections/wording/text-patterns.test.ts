import { describe, expect, it } from "vitest";
import { freeDeliveryTexts, HOUSE_LANGUAGES, TEXT_PATTERNS } from "../../../core/messages/house-texts.ts";
import { MESSAGE_STATES } from "../../../core/messages/states.ts";
import { stepVariableNames } from "../../../core/messages/step-variables.ts";
import { placeholdersOf, wordingProblems } from "../../../core/messages/wording.ts";
import { filled } from "./text-patterns.tsx";

describe("texts from a pattern", () => {
  it.each(TEXT_PATTERNS.map(({ id }) => id))("are sound in every language, with the same figures: %s", (pattern) => {
    const wording = freeDeliveryTexts(HOUSE_LANGUAGES, "en", { pattern });
    let count = 0;
    for (const state of MESSAGE_STATES)
      for (const [locale, text] of Object.entries(wording[state] ?? {})) {
        count += 1;
        expect(wordingProblems(text, stepVariableNames(state), "")).toEqual([]);
        expect([locale, state, placeholdersOf(text)]).toEqual([
          locale,
          state,
          placeholdersOf(wording[state]?.en ?? ""),
        ]);
        if (locale !== "en") expect(wording.translatedFrom?.[`${state}/${locale}`]).toBe(wording[state]?.en);
      }
    expect(count).toBe(4 * HOUSE_LANGUAGES.length);
    // Without a goal nothing is said of one.
    const earned = freeDeliveryTexts(HOUSE_LANGUAGES, "en", { pattern, hasGoal: false });
    expect(JSON.stringify(earned)).not.toContain("{goal}");
    expect(Object.keys(earned.reached ?? {})).toHaveLength(HOUSE_LANGUAGES.length);
  });

  it("fill what is empty and leave one's own as it is, with what that was made from", () => {
    const own = { empty: { en: "Mine" }, reached: { pt: "Meu" }, translatedFrom: { "reached/pt": "An older one" } };
    const made = filled(own, freeDeliveryTexts(["en", "pt"], "en", { pattern: "short" }));
    expect(made.empty).toEqual({ en: "Mine", pt: "Entrega grátis desde {goal}" });
    // Made from the pattern's own source, it shows that it is not of the text that stands there.
    expect(made.translatedFrom?.["empty/pt"]).toBe("Free delivery from {goal}");
    expect(made.reached).toEqual({ en: "Free delivery is yours", pt: "Meu" });
    expect(made.translatedFrom?.["reached/pt"]).toBe("An older one");
    expect(made.translatedFrom?.["on-the-way/pt"]).toBe("{remaining} to free delivery");
  });
});
