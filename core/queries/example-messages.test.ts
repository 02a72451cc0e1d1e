import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { pickText } from "../messages/locale.ts";
import { MESSAGE_STATES, type MessageState } from "../messages/states.ts";
import type { Plan } from "../plan/plan.ts";
import { textsFor } from "../quote/messages/step-messages.ts";
import type { QuoteRequest } from "../request/request.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { inEnglish } from "../tests/in-english.ts";
import { translationUnits } from "../translation/translation-units.ts";
import { exampleMessages } from "./example-messages.ts";

const demo: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));
const samples: { id: string; request: QuoteRequest }[] = JSON.parse(
  readFileSync(new URL("../../demo/samples.json", import.meta.url), "utf8"),
);
const compiled = compiledPlan(demo);

describe("how a text reads", () => {
  it("is what the shopper on screen is told, where the step stands so", () => {
    let told = 0;
    for (const { id, request } of samples) {
      const quote = quoteOf(compiled, request);
      if (quote.zonesPossible) continue;
      const example = exampleMessages(compiled, request, quote.progress);
      for (const { offer, step, state, surface, text } of quote.messages) {
        const wording = demo.offers.find((one) => one.id === offer)?.steps.find((one) => one.id === step)?.wording;
        const states: readonly MessageState[] = TOLD_APART[state] ?? MESSAGE_STATES.filter((one) => one === state);
        const readings = states.flatMap((one) => {
          const texts = textsFor(wording ?? {}, demo.store.wording, surface, [one]);
          const picked = texts && pickText(texts, request.locale ?? "en", []);
          return picked ? [example({ offer, step, state: one }, picked)] : [];
        });
        expect({ id, readings }).toEqual({ id, readings: expect.arrayContaining([{ text }]) });
        told += 1;
      }
    }
    expect(told).toBeGreaterThan(10);
  });

  it("is a whole sentence for every text and language of the plan, wherever the shopper stands and wherever the offer holds", () => {
    const units = translationUnits(demo);
    expect(units.length).toBeGreaterThan(20);
    for (const { request } of samples) {
      const example = exampleMessages(compiled, request, []);
      for (const { offer, step, state, texts } of units) {
        for (const [locale, text] of Object.entries(texts)) {
          const reads = example({ offer, step, state }, { text, locale });
          expect(reads).toEqual({ text: expect.stringMatching(/^[^{}]{4,}$/) });
        }
      }
    }
  });

  it("refuses what the plan would refuse, and a step that nobody can reach", () => {
    const [sample] = samples;
    if (!sample) throw new Error("the demo has no sample");
    const example = exampleMessages(compiled, sample.request, []);
    const place = { offer: "free-standard", step: "free-standard", state: "on-the-way" } as const;
    expect(inEnglish(example(place, { text: "Add {more}", locale: "en" }))).toEqual({
      problem: expect.stringContaining("more"),
    });
    expect(inEnglish(example({ ...place, step: "nobody" }, { text: "Add", locale: "en" }))).toEqual({
      problem: "this step gives nothing anywhere yet",
    });
  });
});

/** States that texts tell apart and an answer does not. */
const TOLD_APART: Readonly<Record<string, readonly MessageState[]>> = {
  "on-the-way": ["on-the-way", "nearly-there", "between"],
  reached: ["reached", "top"],
};
