import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { Plan } from "../plan/plan.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { freeDeliveryTexts, HOUSE_LANGUAGES } from "./house-texts.ts";
import { MESSAGE_STATES } from "./states.ts";
import { stepVariableKinds, stepVariableNames } from "./step-variables.ts";
import { formattingProblems, placeholdersOf, wordingProblems } from "./wording.ts";

const demo: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));

describe("house texts", () => {
  it("can be said in every language, and mention in each what they mention in English", () => {
    const wording = freeDeliveryTexts(HOUSE_LANGUAGES, "en");
    let texts = 0;
    for (const state of MESSAGE_STATES) {
      const english = placeholdersOf(wording[state]?.en ?? "");
      for (const [language, text] of Object.entries(wording[state] ?? {})) {
        texts += 1;
        expect(wordingProblems(text, stepVariableNames(state), "")).toEqual([]);
        for (const counts of ["value", "weight"])
          expect(formattingProblems(text, language, stepVariableKinds(state, counts), "")).toEqual([]);
        expect(placeholdersOf(text)).toEqual(english);
      }
    }
    expect(texts).toBe(9 * 4);
    expect(freeDeliveryTexts(["xx"], "en")).toEqual({});
  });

  it("are said to shoppers in their language, with what the engine says is missing", () => {
    const plan = structuredClone(demo);
    const offer = plan.offers.find(({ id }) => id === "free-standard");
    const [step] = offer?.steps ?? [];
    if (!offer || !step) throw new Error("the demo has no free-standard");
    step.wording = freeDeliveryTexts(["en", "pt"], "en");
    const said = (locale: string, unitPrice: number) =>
      quoteOf(compiledPlan(plan), {
        ...{
          at: "2026-11-26T10:00:00Z",
          currency: "EUR",
          locale,
          destination: { country: "PT", postcode: "3000-001" },
        },
        cart: { lines: unitPrice > 0 ? [{ sku: "ink", quantity: 1, unitPrice }] : [] },
      }).messages.find((message) => message.offer === offer.id)?.text;
    expect([0, 3860, 4500].map((price) => said("en", price))).toEqual([
      "Standard is free from €45",
      "Add €6.40 more and Standard is free",
      "Standard is free",
    ]);
    expect(said("pt-PT", 3860)?.replaceAll(/\s/g, " ")).toBe("Faltam 6,40 € para Normal ser grátis");
  });
});
