import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Condition } from "../conditions/condition.ts";
import { visitConditions } from "../plan/visit-conditions.ts";
import { explainAt } from "../queries/explain-at.ts";
import type { CartLine, QuoteRequest, Shopper } from "../request/request.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { decide } from "./decide.ts";
import { worldOf } from "./world.ts";

const AT = Date.UTC(2026, 10, 24, 12);
const compiled = compiledPlan(
  oneZonePlan({
    options: [
      {
        id: "o",
        position: 1,
        name: { en: "O" },
        zones: ["z"],
        charge: { kind: "flat", amount: { byCurrency: { EUR: "1" } } },
      },
    ],
  }),
);
const BASIS = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } as const;

/** Clauses over facts with few values, in families that are enumerated apart. */
const is = fc.constantFrom("at-least", "more-than", "at-most", "less-than", "exactly" as const);
const names = (...all: string[]) => fc.subarray(all, { minLength: 1 });
const shopperLeaf: fc.Arbitrary<Condition> = fc.oneof(
  fc.constant<Condition>({ kind: "signed-in" }),
  names("a", "b").map((groups): Condition => ({ kind: "group", groups })),
  fc.record({ kind: fc.constant("orders" as const), is, count: fc.integer({ min: 0, max: 2 }) }),
  fc.integer({ min: 1, max: 2 }).map((days): Condition => ({ kind: "not-ordered-for", days })),
  fc.record({
    kind: fc.constant("account-age" as const),
    is: fc.constantFrom("at-least" as const, "at-most" as const),
    days: fc.integer({ min: 0, max: 2 }),
  }),
);
const momentLeaf: fc.Arbitrary<Condition> = fc.oneof(
  fc.subarray([1, 2, 3, 4, 5, 6, 7], { minLength: 1 }).map((days): Condition => ({ kind: "weekdays", days })),
  fc.constantFrom<Condition>(
    { kind: "hours", from: "09:00", until: "12:00" },
    { kind: "hours", from: "22:00", until: "02:00" },
    { kind: "between", from: "2026-11-27", until: "2026-11-29" },
    { kind: "between", until: "2026-11-28T10:00" },
  ),
);
const cartLeaf: fc.Arbitrary<Condition> = fc.oneof(
  fc.record({ kind: fc.constant("items" as const), is, count: fc.integer({ min: 0, max: 3 }) }),
  fc.record({ kind: fc.constant("lines" as const), is, count: fc.integer({ min: 0, max: 2 }) }),
  fc.record({
    kind: fc.constant("goods" as const),
    by: fc.constantFrom("categories" as const, "parcel-classes" as const),
    how: fc.constantFrom("any" as const, "none" as const, "only" as const, "all" as const),
    of: names("x", "y"),
  }),
  fc.record({
    kind: fc.constant("trait" as const),
    trait: fc.constantFrom("used" as const, "new" as const),
    how: fc.constantFrom("any" as const, "none" as const, "only" as const),
  }),
  fc.record({
    kind: fc.constant("value" as const),
    basis: fc.constant(BASIS),
    is,
    amount: fc.constantFrom("0", "1", "2").map((EUR) => ({ byCurrency: { EUR } })),
  }),
  names("K", "L").map((codes): Condition => ({ kind: "code", codes })),
);
const tree = (leaf: fc.Arbitrary<Condition>): fc.Arbitrary<Condition> =>
  fc.letrec<{ tree: Condition }>((tie) => ({
    tree: fc.oneof(
      { maxDepth: 3, depthIdentifier: "tree" },
      leaf,
      fc.record({
        kind: fc.constantFrom("all" as const, "any" as const),
        of: fc.array(tie("tree"), { minLength: 1, maxLength: 3 }),
      }),
      tie("tree").map((of): Condition => ({ kind: "not", of })),
    ),
  })).tree;

const base: QuoteRequest = {
  at: new Date(AT).toISOString(),
  currency: "EUR",
  destination: { country: "PT", postcode: "1000-000" },
  shopper: { orderCount: 1, lastOrderAt: new Date(AT - 86_400_000).toISOString() },
  cart: { lines: [] },
};
function subsets<T>(all: readonly T[]): T[][] {
  let sets: T[][] = [[]];
  for (const one of all) sets = sets.flatMap((set) => [set, [...set, one]]);
  return sets;
}
const DAY = 86_400_000;

/** Every shopper of the small world. */
const shoppers: Shopper[] = subsets(["a", "b"])
  .flatMap((groups) =>
    [true, false].flatMap((signedIn) =>
      [0, 1, 2, 3].flatMap((orderCount): Shopper[] =>
        orderCount === 0
          ? [{ groups, signedIn, orderCount }]
          : [0, 1, 2].map((days) => ({
              groups,
              signedIn,
              orderCount,
              lastOrderAt: new Date(AT - days * DAY).toISOString(),
            })),
      ),
    ),
  )
  .flatMap((shopper) =>
    [0, 1, 2, 3].map((days) => ({ ...shopper, accountOpenedAt: new Date(AT - days * DAY).toISOString() })),
  );
const moments = Array.from({ length: 12 * 24 * 2 }, (_, i) => ({
  ...base,
  at: new Date(AT - 2 * DAY + i * 1_800_000).toISOString(),
}));
const lineKinds: CartLine[] = subsets(["x", "y"]).flatMap((categories) =>
  [undefined, "x", "y"].flatMap((parcelClass) =>
    [false, true].flatMap((used) =>
      [1, 2].map((quantity) => ({
        sku: "s",
        quantity,
        unitPrice: 100,
        categories,
        used,
        ...(parcelClass ? { parcelClass } : {}),
      })),
    ),
  ),
);
const carts: QuoteRequest[] = [
  [],
  ...lineKinds.map((line) => [line]),
  ...lineKinds.flatMap((a, i) => lineKinds.slice(i).map((b) => [a, b])),
].flatMap((lines, i) => {
  const codes = subsets(["K", "L"])[i % 4] ?? [];
  return [
    { ...base, cart: { lines, codes } },
    {
      ...base,
      cart: { lines: lines.map((line) => ({ ...line, unitPrice: 0 })), codes: lines.length === 0 ? ["K"] : [] },
    },
  ];
});

function agrees(condition: Condition, worlds: readonly QuoteRequest[], tally: Record<string, number>): void {
  const world = worldOf(compiled, AT, [condition]);
  for (const wanted of [true, false]) {
    const decision = decide(world, condition, wanted);
    tally[decision.kind] = (tally[decision.kind] ?? 0) + 1;
    const found = worlds.find((request) => explainAt(compiled, request, condition)?.truth === wanted);
    if (found) expect(decision.kind, JSON.stringify({ condition, wanted, found })).toBe("witness");
    else if (decision.kind === "witness")
      expect(explainAt(compiled, decision.request, condition)?.truth, JSON.stringify(condition)).toBe(wanted);
    expect(decision.kind, JSON.stringify({ condition, wanted })).not.toBe("undecided");
  }
}

describe("what conditions can and cannot be", () => {
  const tally: Record<string, number> = {};
  it.each([
    ["shoppers", shopperLeaf, shoppers.map((shopper) => ({ ...base, shopper }))],
    ["moments", momentLeaf, moments],
    ["carts", cartLeaf, carts],
  ] as const)("agrees with every %s of a small world, both ways", (_, leaf, worlds) => {
    fc.assert(
      fc.property(tree(leaf), (condition) => agrees(condition, worlds, tally)),
      { numRuns: 60, seed: 20261124 },
    );
    process.stdout.write(`decided: ${JSON.stringify(tally)}\n`);
  });

  it.each<Condition>([
    { kind: "payment", methods: ["invoice", "cash"] },
    { kind: "billing-region", regions: ["PT-30", "DE-BE"] },
    { kind: "billing-postcode", country: "PT", patterns: ["9000..9399", "95*"] },
    {
      kind: "all",
      of: [
        { kind: "billing-postcode", country: "DE", patterns: ["10*"] },
        { kind: "not", of: { kind: "billing-postcode", country: "DE", patterns: ["10111", "101 11"] } },
        { kind: "postcode", country: "PT", patterns: ["3000-001"] },
      ],
    },
    { kind: "street", words: ["PO box", "Apartado"] },
    {
      kind: "all",
      of: [
        { kind: "street", words: ["PO box"] },
        { kind: "not", of: { kind: "street", words: ["Apartado"] } },
        { kind: "not", of: { kind: "payment", methods: ["card"] } },
        { kind: "not", of: { kind: "billing-region", regions: ["PT-11"] } },
      ],
    },
  ])("finds a request of which %j holds, and one of which it does not", (condition) => {
    const world = worldOf(compiled, AT, [condition]);
    for (const wanted of [true, false]) {
      const decision = decide(world, condition, wanted);
      if (decision.kind !== "witness") throw new Error(`${wanted}: ${decision.kind}`);
      expect(explainAt(compiled, decision.request, condition)?.truth).toBe(wanted);
    }
  });

  it("decides every condition of the demo plan, and shows a request for each that can hold", () => {
    const demo = compiledPlan(JSON.parse(readFileSync("demo/plan.json", "utf8")));
    const world = worldOf(demo, AT);
    for (const { condition } of visitConditions(demo.plan)) {
      for (const wanted of [true, false]) {
        const decision = decide(world, condition, wanted);
        expect(decision.kind, JSON.stringify(condition)).toBe("witness");
        if (decision.kind === "witness") expect(explainAt(demo, decision.request, condition)?.truth).toBe(wanted);
      }
    }
  });
});
