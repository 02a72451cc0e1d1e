import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { optionIn } from "../delivery/option.ts";
import { english } from "../phrases/speak.ts";
import type { Plan } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { whyLeads, whySentences } from "./why-words.ts";

const plan: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));
const compiled = compiledPlan(plan);

/** What a JSON pointer leads to. */
const at = (body: unknown, path: string): unknown =>
  path
    .split("/")
    .slice(1)
    .reduce<unknown>(
      (part, key) =>
        typeof part === "object" && part !== null
          ? Object.entries(part).find(([name]) => name === key)?.[1]
          : undefined,
      body,
    );

describe("where the sentences of an account lead", () => {
  it("is a part of the plan that is there, the same for the same sentence as told without", () => {
    const led = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom("PT/3000-001", "PT/9000-001", "ES/28013", "DE/10115"),
        fc.integer({ min: 0, max: 15_000 }),
        fc.boolean(),
        fc.boolean(),
        fc.constantFrom("2026-11-26T10:00:00Z", "2026-11-28T10:00:00Z"),
        (place, unitPrice, trade, bulky, moment) => {
          const [country = "", postcode = ""] = place.split("/");
          const line = { sku: "ink", quantity: 1, unitPrice, weight: { value: "900", unit: "g" as const } };
          const answer = quote(
            compiled,
            {
              at: moment,
              currency: "EUR",
              destination: { country, postcode },
              shopper: { id: "s-1", signedIn: trade, groups: trade ? ["trade"] : [] },
              cart: { lines: [bulky ? { ...line, parcelClass: "bulky" } : line], codes: ["PAPERPOST"] },
            },
            { why: true },
          );
          if (!("quote" in answer)) throw new Error(JSON.stringify(answer));
          for (const why of answer.quote.why ?? [])
            for (const { option } of why.options) {
              const leads = whyLeads(plan, why, option, "EUR");
              expect(whySentences(plan, why, option, "EUR")).toEqual(leads.map(({ text, about }) => ({ text, about })));
              for (const { text, to } of leads) {
                led.add(`${to.kind}${to.path}`);
                const bodies = { option: plan.options, offer: plan.offers, zone: plan.zones }[to.kind];
                const body = bodies.find(({ id }) => id === to.id);
                expect([text, body !== undefined]).toEqual([text, true]);
                // What the plan leaves to be as usual has its place, and nothing there yet.
                const usual = ["/limits", "/stacking", "/taxRate", "/rounding", "/when", "/schedule", ""];
                const own = body && "charge" in body ? optionIn(body, why.zone) : body;
                if (!usual.includes(to.path))
                  expect([text, to.path, at(own, to.path) ?? at(body, to.path)]).not.toEqual([
                    text,
                    to.path,
                    undefined,
                  ]);
              }
            }
        },
      ),
      { numRuns: 80 },
    );
    expect([...led].sort()).toEqual(
      expect.arrayContaining([
        "offer/schedule",
        "offer/steps",
        "offer/when",
        "option/charge",
        "option/handling",
        "option/when",
      ]),
    );
  });

  it("is the offer, where offers took something off", () => {
    const answer = quote(
      compiled,
      {
        at: "2026-11-26T10:00:00Z",
        currency: "EUR",
        destination: { country: "PT", postcode: "3000-001" },
        cart: { lines: [{ sku: "ink", quantity: 1, unitPrice: 5000 }] },
      },
      { why: true },
    );
    const [why] = ("quote" in answer && answer.quote.why) || [];
    const off = why && whyLeads(plan, why, "standard", "EUR").find(({ text }) => english(text).startsWith("Offers"));
    expect(off?.to).toEqual({ kind: "offer", id: "free-standard", path: "/steps" });
  });
});
