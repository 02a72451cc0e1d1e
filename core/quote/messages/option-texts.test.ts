import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/plan.ts";
import { compiledPlan, quoteOf } from "../../tests/compiled.ts";

const plan: Plan = JSON.parse(readFileSync(new URL("../../../demo/plan.json", import.meta.url), "utf8"));

describe("an option's note", () => {
  it("tells the goal while there is one ahead, and is left out once it is reached", () => {
    const standard = plan.options.find(({ id }) => id === "standard");
    if (!standard) throw new Error("the demo has no standard");
    standard.note = { en: "{goal} makes it free" };
    const compiled = compiledPlan(plan);
    const noteAt = (unitPrice: number) =>
      quoteOf(compiled, {
        ...{ at: "2026-11-26T10:00:00Z", currency: "EUR", locale: "en" },
        destination: { country: "PT", postcode: "3000-001" },
        cart: { lines: [{ sku: "ink", quantity: 1, unitPrice }] },
      }).options.find(({ id }) => id === "standard")?.note;
    expect(noteAt(3860)).toBe("€45 makes it free");
    expect(noteAt(4499)).toBe("€45 makes it free");
    expect(noteAt(4500)).toBeUndefined();
  });
});
