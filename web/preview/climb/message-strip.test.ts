import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cartAt } from "../../../core/climb/cart-at.ts";
import { climb } from "../../../core/climb/climb.ts";
import { anyCase } from "../../../core/tests/arbitrary.ts";
import { compiledPlan, quoteOf } from "../../../core/tests/compiled.ts";
import { demoPlan } from "../../tests/demo-plan.ts";
import { messageStretches } from "./message-strip.ts";

const TO = 400;

describe("the strip of messages under a climb", () => {
  it("covers the whole climb without gap or overlap, and never shows the same twice beside each other", () => {
    fc.assert(
      fc.property(anyCase(300), ({ plan, request }) => {
        const drawn = climb(compiledPlan(plan), request, TO);
        if (!("climb" in drawn) || !drawn.climb) return;
        const stretches = messageStretches(drawn.climb, plan, "en", ["en"]);
        const ends = drawn.climb.intervals;
        expect(stretches[0]?.from).toBe(ends[0]?.from);
        expect(stretches.at(-1)?.to).toBe(ends.at(-1)?.to);
        for (const [i, { from }] of stretches.entries()) if (i > 0) expect(from).toBe((stretches[i - 1]?.to ?? 0) + 1);
      }),
      { numRuns: 10 },
    );
  });

  it("says what a shopper reads in the cart at each value, with an ellipsis for what changes on the way", () => {
    const plan = demoPlan();
    const compiled = compiledPlan(plan);
    const request = {
      at: "2026-11-26T10:00:00Z",
      currency: "EUR",
      locale: "en",
      destination: { country: "PT", postcode: "3000-001" },
      cart: { lines: [{ id: "1", sku: "field-notebook", quantity: 1, unitPrice: 1000 }] },
    };
    const drawn = climb(compiled, request, 8000);
    if (!("climb" in drawn) || !drawn.climb) throw new Error("nothing is drawn");
    const stretches = messageStretches(drawn.climb, plan, "en", ["en"]);
    expect(stretches.length).toBeGreaterThan(2);
    for (const { from, to, texts } of stretches) {
      for (const value of new Set([from, Math.min(to, 8000)])) {
        // The empty cart is told apart from one that is worth nothing.
        if (value === 0) continue;
        const { messages } = quoteOf(compiled, { ...request, cart: cartAt(request.cart, value) });
        const read = messages.filter(({ surface }) => surface === "cart").map(({ text }) => text);
        expect(texts).toHaveLength(read.length);
        // Every text of the strip is one that is read there, but for figures.
        for (const text of texts) {
          const parts = text.split("…").filter((part) => part.trim() !== "");
          expect(read.some((message) => parts.every((part) => message.includes(part)))).toBe(true);
        }
      }
    }
  });
});
