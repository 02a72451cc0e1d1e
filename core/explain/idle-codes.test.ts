import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { english } from "../phrases/speak.ts";
import type { Plan } from "../plan/plan.ts";
import type { QuoteRequest } from "../request/request.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { idleCodes } from "./idle-codes.ts";

const plan: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));
const CODES = plan.offers.flatMap(({ steps }) =>
  steps.flatMap(({ trigger }) => ("codes" in trigger ? trigger.codes : [])),
);

const asked = (codes: string[], more: Partial<QuoteRequest> = {}): QuoteRequest => ({
  at: "2026-11-26T10:00:00Z",
  currency: "EUR",
  destination: { country: "ES", postcode: "28013" },
  locale: "en",
  shopper: { id: "s-1", signedIn: true, groups: ["trade"] },
  ...more,
  cart: { lines: [{ sku: "ink", quantity: 2, unitPrice: 1250 }], codes, ...more.cart },
});

describe("codes without effect", () => {
  it("are just those without which the answer's prices and grants are the same", () => {
    const compiled = compiledPlan(plan);
    let idle = 0;
    let used = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...CODES, "WELCOME"),
        fc.constantFrom("ES/28013", "PT/3000-001", "PT/9000-001", "DE/10115"),
        fc.integer({ min: 0, max: 9000 }),
        fc.boolean(),
        (code, place, unitPrice, signedIn) => {
          const [country = "", postcode = ""] = place.split("/");
          const lines = [{ sku: "ink", quantity: 2, unitPrice, weight: { value: "200", unit: "g" as const } }];
          const at = (codes: string[]) =>
            asked(codes, {
              destination: { country, postcode },
              shopper: { ...(signedIn ? { id: "s-1" } : {}), signedIn, groups: signedIn ? ["trade"] : [] },
              cart: { lines, codes },
            });
          const paid = (codes: string[]) =>
            JSON.stringify(quoteOf(compiled, at(codes)).options.map(({ price, grants }) => [price, grants]));
          const [told] = idleCodes(compiled, at([code]));
          if (told) {
            idle += 1;
            expect(english(told.why)).toMatch(/\.$/);
            expect([code, told.why, paid([code])]).toEqual([code, told.why, paid([])]);
          } else {
            used += 1;
            expect([code, paid([code])]).not.toEqual([code, paid([])]);
          }
        },
      ),
      { numRuns: 150 },
    );
    expect(Math.min(idle, used)).toBeGreaterThan(5);
  });

  it("say why: unknown, elsewhere, too early, used up, no better, not reached yet", () => {
    const why = (codes: string[], edit: (draft: Plan) => void = () => {}, more: Partial<QuoteRequest> = {}) => {
      const draft = structuredClone(plan);
      edit(draft);
      return idleCodes(compiledPlan(draft), asked(codes, more)).map((one) => `${one.code}: ${english(one.why)}`);
    };
    const offer = (draft: Plan, id: string) => draft.offers.find((one) => one.id === id);
    const [code = ""] = CODES.filter((one) =>
      offer(plan, "newsletter")?.steps.some(({ trigger }) => "codes" in trigger && trigger.codes.includes(one)),
    );
    expect(why([code])).toEqual([]);
    expect(why(["WELCOME"])).toEqual(["WELCOME: No offer of the plan has this code."]);
    // Whoever's order discount it gave, and what a condition asks for, is not for nothing.
    expect(
      why(["WELCOME"], undefined, {
        cart: { lines: [], codes: ["WELCOME"], discounts: [{ percent: "10", code: "welcome" }] },
      }),
    ).toEqual([]);
    expect(
      why(["INKLOVE"], (draft) => {
        draft.conditions = [
          ...(draft.conditions ?? []),
          { id: "asks", name: "Asks", when: { kind: "code", codes: ["inklove"] } },
        ];
      }),
    ).toEqual([]);
    const elsewhere = why([code], undefined, { destination: { country: "PT", postcode: "3000-001" } });
    expect(elsewhere.join()).toMatch(/belongs to .*It does not hold in Mainland Portugal\./);
    expect(why([code], (draft) => Object.assign(offer(draft, "newsletter") ?? {}, { on: false })).join()).toMatch(
      /switched off/,
    );
    expect(
      why([code], (draft) =>
        Object.assign(offer(draft, "newsletter") ?? {}, { schedule: [{ from: "2027-01-01" }] }),
      ).join(),
    ).toMatch(/at this moment/);
    expect(
      why([code], (draft) => {
        for (const option of draft.options)
          if (option.id === "post") option.charge = { kind: "flat", amount: { byCurrency: { EUR: "0.00" } } };
      }).join(),
    ).toMatch(/that little already/);
    expect(
      why([code], (draft) => {
        const one = offer(draft, "newsletter");
        const [step] = one?.steps ?? [];
        if (step)
          step.trigger = {
            kind: "goal-and-code",
            codes: [code],
            goal: { at: { byCurrency: { EUR: "50.00" } }, edge: "from" },
          };
      }).join(),
    ).toMatch(/goal is not reached yet/);
  });
});
