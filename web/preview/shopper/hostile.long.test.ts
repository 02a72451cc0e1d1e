import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import * as fc from "fast-check";
import { createElement } from "react";
import { renderToString } from "react-dom/server";
import { describe, expect, it } from "vitest";
import { climbCart, engineFor, quoteCart, rulesBrokenBy } from "../../../core/engine.ts";
import { english } from "../../../core/phrases/speak.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import { standpointFaults } from "../../../core/samples/standpoint-faults.ts";
import { compile } from "../../../core/tariff/compile.ts";
import { checkPlan, checkQuoteRequest } from "../../../core/validation/documents.ts";
import demo from "../../../demo/plan.json" with { type: "json" };
import { checkStandpoint } from "../../../server/saved/standpoint.ts";
import { checkWholePlan } from "../../../server/validation/whole-plan.ts";
import { type Looked, QuoteContext } from "../../state/quote-context.ts";
import {
  type DescribedShopper,
  destinationOf,
  FIRST_STANDPOINT,
  isStandpoint,
  requestFor,
} from "../../state/standpoint.ts";
import { type LookedFrom, StandpointContext } from "../../state/standpoint-context.ts";
import { ShopperView } from "./shopper-view.tsx";

// Whatever is accepted compiles, quotes, is drawn and can be released; whatever is refused says where.

const checked = checkPlan(demo);
if ("problems" in checked) throw new Error("the demo plan is broken");
const plan = checked.value;

const at = "2026-11-28T10:00:00Z";
const lines = [{ sku: "a", quantity: 3, unitPrice: 1200, weight: { value: "310", unit: "g" as const } }];
const REQUESTS: readonly QuoteRequest[] = [
  { at, currency: "EUR", locale: "en", destination: { country: "ES", postcode: "41001" }, cart: { lines } },
  { at, currency: "EUR", locale: "pt", destination: { country: "PT", postcode: "9000-001" }, cart: { lines: [] } },
  { at, currency: "GBP", destination: { country: "GB" }, cart: { lines, codes: ["PAPERPOST"] } },
];

/** The Shopper view as it would be drawn, without a browser. */
function drawn(of: Plan, request: QuoteRequest): string {
  const result = compile(of);
  if ("problems" in result) throw new Error(JSON.stringify(result.problems));
  const nothing = () => undefined;
  const { compiled } = result;
  const answered = quoteCart(compiled, request);
  const from: LookedFrom = {
    standpoint: { ...FIRST_STANDPOINT, country: "", postcode: "", locale: request.locale ?? "en" },
    setStandpoint: nothing,
    zones: [],
    market: null,
  };
  const looked: Looked = {
    ...{
      at,
      cart: { sample: null, lines: [] },
      setCart: nothing,
      carts: [],
      products: new Map(),
      catalogueProblem: null,
    },
    ...{
      cursor: null,
      setCursor: nothing,
      witness: null,
      setWitness: nothing,
      off: new Set<string>(),
      setOff: nothing,
    },
    ...{ compiled, asking: false, sample: request, requestAt: () => request, request, result: answered },
    quote: "quote" in answered ? answered.quote : null,
  };
  const view = createElement(
    StandpointContext,
    { value: from },
    createElement(QuoteContext, { value: looked }, createElement(ShopperView, { plan: of })),
  );
  return renderToString(createElement(QueryClientProvider, { client: new QueryClient() }, view));
}

/** Mostly something sound, so that what is odd stands among what is not. */
const mostly = <T>(good: fc.Arbitrary<T>, odd: fc.Arbitrary<T>): fc.Arbitrary<T> =>
  fc.oneof({ weight: 8, arbitrary: good }, { weight: 1, arbitrary: odd });

const counts = { accepted: 0, refused: 0 };

/** A plan as an edit leaves it: taken whole, or refused with a place for every problem. */
function putThrough(edit: (draft: Record<string, Record<string, unknown>[]>) => void): void {
  const draft = JSON.parse(JSON.stringify(plan));
  edit(draft);
  const taken = checkWholePlan(draft);
  if ("problems" in taken) {
    counts.refused += 1;
    expect(taken.problems.length).toBeGreaterThan(0);
    for (const { path, message } of taken.problems) expect([path[0], english(message) !== ""]).toEqual(["/", true]);
    // What is refused may be in an older release all the same: that one never throws either.
    const made = engineFor(draft);
    if ("engine" in made) for (const request of REQUESTS) quoteCart(made.engine, request);
    return;
  }
  counts.accepted += 1;
  const made = engineFor(draft);
  if ("problems" in made) throw new Error(JSON.stringify(made.problems));
  expect(rulesBrokenBy(made.engine)).toEqual([]);
  for (const request of REQUESTS) {
    const answer = quoteCart(made.engine, request, { why: true });
    if ("problems" in answer) throw new Error(JSON.stringify(answer.problems));
    expect(answer.unsaid).toBeUndefined();
    expect(JSON.stringify(answer.quote)).not.toMatch(/NaN|Infinity/);
    expect(drawn(taken.value, request)).toContain("Shopper view");
    climbCart(made.engine, request, 500);
  }
}

const text = fc
  .array(
    fc.oneof(
      {
        weight: 3,
        arbitrary: fc.constantFrom("{goal}", "{reward}", "'{'", "#", "{option, select, yes {a} other {b}}"),
      },
      fc.constantFrom(
        "{remaining}",
        "{remaining, plural, one {# one} other {# more}}",
        "{remaining, date, short}",
        "{goal, number, ::currency/nope}",
        "{remaining, number, ::unit/nope}",
        "{goal, number, ::measure-unit/foo-bar}",
        "{percent, number, ::integer-width/*000}",
        "{remaining, number}",
        "{percent, number}",
        "{percent, plural, offset:1 =0 {none} other {#}}",
        "{reward, select, yes {a} other {b}}",
        "{nothing}",
        "{remaining, time}",
        "{",
        "}",
        "'{'",
        "<b>{goal}</b>",
        "#",
      ),
      fc.string({ maxLength: 8 }),
    ),
    { minLength: 1, maxLength: 2 },
  )
  .map((parts) => parts.join(" ").slice(0, 2000) || "x");

const pattern = fc.oneof(
  fc
    .array(fc.constantFrom("*", "?", "9", "A", "..", "-", " ", "1", "９", "PT-"), { minLength: 1, maxLength: 12 })
    .map((parts) => parts.join("")),
  fc.string({ minLength: 1, maxLength: 32 }),
);

const day = fc.oneof(
  fc.constantFrom("2026-13-45", "2026-02-30", "2026-11-27T09:00", "2026-11-27", "0000-00-00"),
  fc.string({ maxLength: 12 }),
);

/** A condition of any depth and any nonsense in its leaves. */
const condition: fc.Arbitrary<unknown> = fc
  .tuple(
    fc.oneof(
      fc.record({ kind: fc.constant("between"), from: day, until: day }, { requiredKeys: ["kind"] }),
      fc.record({
        kind: fc.constant("postcode"),
        country: fc.constantFrom("PT", "ES", "ZZ"),
        patterns: fc.array(pattern, { maxLength: 3 }),
      }),
      fc.record({ kind: fc.constant("code"), codes: fc.array(fc.string({ maxLength: 5 }), { maxLength: 3 }) }),
      fc.record({
        kind: fc.constant("region"),
        regions: fc.array(fc.constantFrom("ES-CN", "PT-30", "pt-30", "XX-1"), { maxLength: 2 }),
      }),
      fc.record({ kind: fc.constant("saved"), id: fc.constantFrom("trade", "no-such", "") }),
    ),
    mostly(fc.nat(3), fc.constantFrom(19, 22, 70, 120, 3000)),
  )
  .map(([leaf, depth]) => {
    let made: unknown = leaf;
    for (let i = 0; i < depth; i += 1) made = { kind: "not", of: made };
    return made;
  });

const amount = fc.oneof(
  fc.constantFrom("0", "4.90", "999999999999999", "0.001", "1e9", "-1", "4,90", "100000000000.00"),
  fc.stringMatching(/^[0-9]{1,15}(\.[0-9]{1,3})?$/),
);

const offerIn = (draft: Record<string, Record<string, unknown>[]>, id: string) =>
  draft.offers?.find((one) => one.id === id) ?? {};

describe("whatever is put in", () => {
  it("texts: none that passes fails or says NaN, in any state", () => {
    fc.assert(
      fc.property(text, text, fc.constantFrom("notebooks", "free-post", "heavy-paper"), (going, reached, id) => {
        putThrough((draft) => {
          const offer = offerIn(draft, id);
          const [step, ...others] = Array.isArray(offer.steps) ? offer.steps : [];
          const wording = { "on-the-way": { en: going }, reached: { en: reached }, empty: { en: going } };
          Object.assign(offer, { steps: [{ ...step, wording }, ...others] });
        });
      }),
      { numRuns: 120 },
    );
  });

  it("patterns, conditions, days, amounts", () => {
    fc.assert(
      fc.property(pattern, condition, amount, fc.boolean(), (postcode, when, figure, inZone) => {
        putThrough((draft) => {
          if (inZone)
            draft.zones?.push({
              id: "drawn",
              position: 99,
              market: "portugal",
              name: "Drawn",
              standardTaxRate: "23",
              destinations: [{ country: "PT", postcodes: [postcode] }],
            });
          Object.assign(offerIn(draft, "notebooks"), { when });
          const option = draft.options?.find((one) => one.id === "post") ?? {};
          Object.assign(option, {
            handling: { fixed: { byCurrency: { EUR: figure, GBP: "1", USD: "1", JPY: "100", KWD: "1" } } },
          });
        });
      }),
      { numRuns: 150 },
    );
  });

  it("requests: quoted, or refused with a place, and never thrown", () => {
    const made = engineFor(demo);
    if ("problems" in made) throw new Error("the demo does not compile");
    const found = { quoted: 0, refused: 0 };
    const place = fc.record(
      {
        country: mostly(fc.constantFrom("PT", "ES", "US", "GB", "JP", "ZZ"), fc.string({ maxLength: 3 })),
        region: mostly(fc.constantFrom("PT-30", "US-AK", "ES-CN", "GB-ORK"), fc.string({ maxLength: 6 })),
        postcode: fc.oneof(
          fc.constantFrom("99501", "9000-001", "９０００", "KW15 1AA", "-", "***"),
          fc.string({ maxLength: 16 }),
        ),
        position: mostly(fc.tuple(fc.constant(41), fc.constant(-8)), fc.tuple(fc.double(), fc.double())),
      },
      { requiredKeys: [] },
    );
    const line = fc.record(
      {
        sku: mostly(fc.constant("goods"), fc.string({ maxLength: 6 })),
        quantity: mostly<number>(fc.integer({ min: 1, max: 100_000 }), fc.double()),
        unitPrice: mostly<number>(fc.nat(100_000), fc.constantFrom(-1, 1e11, 1e16, Number.NaN)),
        weight: fc.record({
          value: mostly(fc.constantFrom("0.3", "12"), amount),
          unit: mostly<string>(fc.constantFrom("kg", "lb"), fc.constant("st")),
        }),
        delivery: fc.record({
          kind: fc.constant("own-charge"),
          amount: mostly(fc.nat(1000), fc.integer({ min: 0, max: 100_000_000_000 })),
          per: fc.constantFrom("piece", "line"),
        }),
      },
      { requiredKeys: ["sku", "quantity", "unitPrice"] },
    );
    const request = fc.record(
      {
        at: mostly(fc.constantFrom(at, "2016-12-31T23:59:60Z"), fc.constantFrom("2026-13-45T00:00:00Z", "now", "")),
        currency: mostly(fc.constantFrom("EUR", "USD"), fc.constantFrom("XXX", "eur")),
        locale: mostly(fc.constantFrom("en", "ar", "xx-Latn-ZZ"), fc.constantFrom("not a locale", "")),
        destination: place,
        cart: fc.record({ lines: fc.array(line, { maxLength: 3 }) }),
      },
      { requiredKeys: ["at", "currency", "destination", "cart"] },
    );
    fc.assert(
      fc.property(request, (asked) => {
        const answer = quoteCart(made.engine, asked);
        climbCart(made.engine, asked, 300);
        if ("quote" in answer) {
          found.quoted += 1;
          const figures = answer.quote.options.flatMap(({ price, total, tax }) => [price, total, tax]);
          expect(figures.every((figure) => figure === null || Number.isSafeInteger(figure))).toBe(true);
          return;
        }
        found.refused += 1;
        for (const { path } of answer.problems) expect(path).toMatch(/^(\/|$)/);
      }),
      { numRuns: 3000 },
    );
    console.log(`requests: ${JSON.stringify(found)}`);
    expect(Math.min(found.quoted, found.refused)).toBeGreaterThan(20);
  });

  it("standpoints: what is kept can be looked from, here as on the server", () => {
    const found = { kept: 0, refused: 0 };
    const somebody = (lastOrder: string): DescribedShopper => ({
      signedIn: true,
      groups: ["trade"],
      orderCount: 3,
      lastOrder,
      business: false,
    });
    const standpoint = fc.record({
      country: mostly(fc.constantFrom("", "PT", "ZZ"), fc.constantFrom("P1", "Portugal")),
      region: mostly(fc.constantFrom("", "PT-30"), fc.constant("30")),
      postcode: fc.constantFrom("", "9000-001", "hello"),
      currency: mostly(fc.constantFrom("EUR"), fc.constantFrom("XXX", "EURO")),
      locale: mostly(fc.constantFrom("en", "pt-PT"), fc.constantFrom("not a locale", "e")),
      moment: mostly(
        fc.constantFrom(null, "2026-11-27T09:00"),
        fc.constantFrom("2026-13-45T09:00", "2026-02-30T10:00", "soon"),
      ),
      shopper: mostly<DescribedShopper | null>(
        fc.constantFrom(null, somebody("2026-10-01")),
        fc.constant(somebody("2026-02-30")),
      ),
      moods: fc.constant({}),
    });
    const compiled = compile(plan);
    if ("problems" in compiled) throw new Error("the demo does not compile");
    const [market] = plan.markets;
    fc.assert(
      fc.property(standpoint, (drawnPoint) => {
        const kept = "value" in checkStandpoint(drawnPoint);
        if (!kept) {
          found.refused += 1;
          return;
        }
        found.kept += 1;
        expect([isStandpoint(drawnPoint), standpointFaults(drawnPoint)]).toEqual([true, []]);
        const destination = destinationOf(drawnPoint, compiled.compiled.locations);
        const request = requestFor(drawnPoint, destination, market ?? null, { lines }, at);
        expect(checkQuoteRequest(request)).toHaveProperty("value");
        expect(drawn(plan, request)).toContain("Shopper view");
      }),
      { numRuns: 300 },
    );
    console.log(`standpoints: ${JSON.stringify(found)}`);
    expect(Math.min(found.kept, found.refused)).toBeGreaterThan(50);
  });

  it("was accepted and refused in good part", () => {
    console.log(`plans: ${JSON.stringify(counts)}`);
    expect(Math.min(counts.accepted, counts.refused)).toBeGreaterThan(20);
  });
});
