import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { Plan } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { edited } from "../tests/plan-edits.ts";
import { explainAt } from "./explain-at.ts";

const plan: Plan = JSON.parse(readFileSync("demo/plan.json", "utf8"));
const compiled = compiledPlan(plan);
const requests: QuoteRequest[] = readdirSync("demo/requests")
  .map((name) => JSON.parse(readFileSync(`demo/requests/${name}`, "utf8")))
  .filter((request) => "quote" in quote(compiled, request));

describe("how a condition stands beside its editor", () => {
  it("is how the quote takes it, for every offer and demo request", () => {
    let compared = 0;
    for (const request of requests) {
      const result = quote(compiled, request, { why: true });
      const [why] = "quote" in result ? (result.quote.why ?? []) : [];
      for (const { offers } of why?.options ?? []) {
        for (const { offer, when } of offers) {
          const condition = plan.offers.find(({ id }) => id === offer)?.when;
          if (!condition || !when) continue;
          compared += 1;
          expect(explainAt(compiled, request, condition)?.truth, `${offer}`).toBe(when.truth);
        }
      }
    }
    expect(compared).toBeGreaterThan(5);
  });

  it("is nothing where nobody delivers, or a saved condition is gone", () => {
    const [request] = requests;
    if (!request) throw new Error("no request");
    expect(
      explainAt(compiled, { ...request, destination: { country: "BR", postcode: "01000-000" } }, { kind: "signed-in" }),
    ).toBeNull();
    expect(explainAt(compiled, request, { kind: "saved", id: "gone" })).toBeNull();
  });
});

describe("what one zone has of its own", () => {
  const own = compiledPlan(
    edited(plan, {
      name: "the Azores dearer",
      edit: (draft) => {
        const islands = draft.options.find(({ id }: { id: string }) => id === "islands");
        islands.byZone = {
          azores: {
            charge: { kind: "flat", amount: { byCurrency: { EUR: "31.00" } } },
            handling: { fixed: { byCurrency: { EUR: "2.00" } } },
          },
        };
      },
    }),
  );
  const price = (of: typeof own, postcode: string) =>
    quoteOf(of, {
      at: "2026-11-24T12:00:00Z",
      currency: "EUR",
      destination: { country: "PT", postcode },
      cart: { lines: [{ sku: "x", quantity: 1, unitPrice: 1000, weight: { value: "100", unit: "g" } }] },
    }).options.find(({ id }) => id === "islands")?.price;

  it("stands in place of what its zones share, there and nowhere else", () => {
    expect(price(own, "9500-321")).toBe(3300);
    expect(price(own, "9000-082")).toBe(price(compiled, "9000-082"));
    expect(price(compiled, "9500-321")).toBe(price(compiled, "9000-082"));
  });
});
