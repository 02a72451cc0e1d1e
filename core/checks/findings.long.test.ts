import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { exponentOf } from "../money/currency.ts";
import { rounded } from "../money/linear-amount.ts";
import { phrase } from "../phrases/phrase.ts";
import type { Plan } from "../plan/plan.ts";
import { milligrams } from "../quantities/quantity.ts";
import type { Destination } from "../request/request.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { BREAKING, changed, edited, HEALTHY, MORE_FAULTS } from "../tests/plan-edits.ts";
import type { CheckedProduct, CheckInputs } from "./check.ts";
import { acceptedReason, causeOf, type Finding } from "./finding.ts";
import { CheckMemory } from "./kept-parts.ts";
import { CHECKS, runChecks } from "./run-checks.ts";

const plan: Plan = JSON.parse(readFileSync("demo/plan.json", "utf8"));
type FileProduct = {
  sku: string;
  name: string;
  prices: Record<string, string>;
  categories?: string[];
  tags?: string[];
  parcelClass?: string;
  weight?: { value: string; unit: "g" };
  delivery?: { kind: string };
};
const catalogue: FileProduct[] = JSON.parse(readFileSync("demo/catalogue.json", "utf8"));
const products = catalogue.map(
  ({ sku, name, prices, categories = [], tags = [], parcelClass, weight, delivery }): CheckedProduct => ({
    sku,
    name,
    prices: Object.fromEntries(
      Object.entries(prices).map(([code, text]) => [code, Math.round(Number(text) * 10 ** (exponentOf(code) ?? 2))]),
    ),
    categories,
    tags,
    ...(parcelClass ? { parcelClass } : {}),
    weight: weight ? rounded(milligrams(weight)) : null,
    shipped: delivery?.kind !== "nothing-to-ship",
  }),
);
const around: CheckInputs = {
  at: Date.UTC(2026, 10, 24, 12),
  products,
  uses: {},
  addresses: [],
};

/** What an edit does not touch is checked once for all of them. */
const memory = new CheckMemory();

function check(of: Plan, more: Partial<CheckInputs> = {}): Finding[] {
  return [...runChecks(compiledPlan(of), { ...around, ...more }, memory)].flatMap(({ findings }) => findings);
}
const placeOf = ({ code, at }: Finding) => `${code} ${at.kind}/${at.id}${at.path}`;
const seen = new Set(check(plan).map(placeOf));
const isNew = (finding: Finding) => !seen.has(placeOf(finding));
/** What an edit has brought about. */
const fresh = (of: Plan, more: Partial<CheckInputs> = {}) => check(of, more).filter(isNew);

describe("findings", () => {
  it("of the demo plan are a handful, and honest", () => {
    const found = check(plan);
    process.stdout.write(`${found.map(({ code, sentence }) => `${code}: ${sentence}`).join("\n")}\n`);
    expect(found.length).toBeGreaterThan(2);
    expect(found.length).toBeLessThan(13);
  });

  it.each(BREAKING)("catch: $name", (one) => {
    const broken = edited(plan, one);
    const all = check(broken);
    const found = all.filter(isNew);
    const codes = found.map(({ code }) => code);
    if (one.caughtBy) expect(codes, JSON.stringify(found)).toContain(one.caughtBy);
    for (const { witness, fix, code } of found) {
      if (witness) expect(() => quoteOf(compiledPlan(broken), witness)).not.toThrow();
      // A fix takes its finding away, and leaves a plan that holds together.
      if (fix && code === one.caughtBy)
        expect(check(changed(broken, fix.changes)).length, code).toBeLessThan(all.length);
    }
  });

  it("come each from a check that some fault here is caught by", () => {
    const caughtElsewhere = [
      "limit-used-up",
      "orders-fall-short",
      "weight-far-from-its-class",
      "weight-missing",
      "region-contradicts-postcode",
    ];
    const caught = new Set([
      ...BREAKING.map(({ caughtBy }) => caughtBy),
      ...MORE_FAULTS.map(({ code }) => code),
      ...caughtElsewhere,
    ]);
    expect(CHECKS.map(({ code }) => code).filter((code) => !caught.has(code))).toEqual([]);
  });

  it.each(HEALTHY)("let be: $name", (one) => {
    expect(fresh(edited(plan, one))).toEqual([]);
  });

  it.each(MORE_FAULTS)("tell $code from its nearest healthy neighbour", ({ code, fault, healthy }) => {
    const codes = (edit: (typeof MORE_FAULTS)[number]["fault"]) =>
      fresh(edited(plan, { name: code, edit })).map((finding) => finding.code);
    expect(codes(fault)).toContain(code);
    expect(codes(healthy)).not.toContain(code);
  });

  it("know of products, uses and limits", () => {
    const codes = (more: Partial<CheckInputs>) => new Set(fresh(plan, more).map(({ code }) => code));
    expect(codes({ uses: { newsletter: 2000 } })).toContain("limit-used-up");
    expect(codes({ uses: { newsletter: 1999 } })).not.toContain("limit-used-up");
    const short = (goal: number, none: number) => ({
      reach: [
        {
          ...{ offer: "free-standard", step: "free-standard", market: "portugal", currency: "EUR", goal },
          ...{ one: 10, two: 10, none },
        },
      ],
    });
    expect(codes(short(4500, 30))).toContain("orders-fall-short");
    // Half of them, too few of them, or counted for a goal that is another now.
    expect(codes(short(4500, 20))).not.toContain("orders-fall-short");
    expect(codes(short(4500, 9))).not.toContain("orders-fall-short");
    expect(codes(short(4000, 30))).not.toContain("orders-fall-short");
    // Five cards of one parcel class; one of them as heavy as a crate.
    const cards = [20, 22, 25, 30, 24].map(
      (grams, i): CheckedProduct => ({
        sku: `card-${i}`,
        name: `Card ${i}`,
        prices: { EUR: 300 },
        categories: [],
        tags: [],
        parcelClass: "letters",
        weight: grams * 1000,
        shipped: true,
      }),
    );
    expect(codes({ products: cards })).not.toContain("weight-far-from-its-class");
    const heavier = cards.map((card, i) => (i === 2 ? { ...card, weight: 9_000_000 } : card));
    expect(codes({ products: heavier })).toContain("weight-far-from-its-class");
    const known = products.map((product) => ({ ...product, weight: product.weight ?? 1000 }));
    const missing = (of: typeof products) =>
      check(plan, { products: of }).filter(({ code }) => code === "weight-missing").length;
    expect([missing(known), missing(products) > 0]).toEqual([0, true]);
  });

  it("know of addresses that are kept and cannot be", () => {
    const codes = (destination: Destination) =>
      fresh(plan, { addresses: [{ whose: phrase("The standpoint"), destination }] }).map(({ code }) => code);
    expect(codes({ country: "PT", region: "PT-30", postcode: "3000-001" })).toEqual(["region-contradicts-postcode"]);
    expect(codes({ country: "PT", region: "PT-30", postcode: "9000-001" })).toEqual([]);
    expect(codes({ country: "PT", postcode: "hello" })).toEqual(["region-contradicts-postcode"]);
    expect(codes({ country: "GB", region: "GB-ORK", postcode: "KW16 3AA" })).toEqual([]);
  });

  it("stay accepted until their cause changes", () => {
    const [finding] = check(plan);
    if (!finding) throw new Error("nothing was found");
    const accepted = [
      { code: finding.code, kind: finding.at.kind, id: finding.at.id, cause: causeOf(finding), reason: "We know." },
    ];
    expect(acceptedReason(finding, accepted)).toBe("We know.");
    expect(
      acceptedReason({ ...finding, sentence: phrase("{sentence} More.", { sentence: finding.sentence }) }, accepted),
    ).toBeUndefined();
  });

  it("come from checks with codes of their own, one after the other", () => {
    expect(new Set(CHECKS.map(({ code }) => code)).size).toBe(CHECKS.length);
    const steps = [...runChecks(compiledPlan(plan), around)];
    expect(steps.map(({ done }) => done)).toEqual(CHECKS.map((_, i) => i + 1));
  });
});
