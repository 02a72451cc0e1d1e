import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { postcodePattern } from "../postcodes/postcode.ts";
import { checkedBy } from "../validation/checker.ts";
import validators from "../validation/validators.js";
import type { Asked } from "./asked.ts";
import type { Fact } from "./fact.ts";
import { type Intervals, meet } from "./intervals.ts";
import { daysDescribed, PLAIN_SHOPPER, SHOPPER_FACTS, shopperAsAsked, shopperAsDescribed } from "./shopper-facts.ts";

const AT = Date.UTC(2026, 10, 24, 12);
const checkShopper = checkedBy(validators.shopper);
const none: Asked = { flags: new Map(), numbers: new Map(), names: new Map(), sets: new Map(), postcodes: [] };

const stretch = fc
  .tuple(fc.nat(400), fc.option(fc.integer({ min: 1, max: 400 }), { nil: null }))
  .map(([from, length]): Intervals => [{ from, until: length === null ? null : from + length }]);
const aRegion = fc.constantFrom("DE-BE", "PT-30", "FR-2A");
const aName = fc.constantFrom("DE", "PT", "FR");

/** Something asked of one fact, by its domain. */
function askedOfOne(fact: Fact): fc.Arbitrary<Asked> {
  switch (fact.domain.kind) {
    case "flag":
      return fc.boolean().map((flag) => ({ ...none, flags: new Map([[fact, flag]]) }));
    case "number":
      return stretch.map((within) => ({ ...none, numbers: new Map([[fact, within]]) }));
    case "name":
      return (fact.name.endsWith("Region") ? aRegion : aName).map((name) => ({
        ...none,
        names: new Map([[fact, { in: [name], not: [] }]]),
      }));
    case "names":
      return aName.map((name) => ({ ...none, sets: new Map([[fact, { someOf: [[name]], noneOf: ["x"] }]]) }));
    case "postcode":
      return fc
        .record({ pattern: fc.constantFrom("90*", "9000..9399", "3000-001"), holds: fc.boolean() })
        .map(({ pattern, holds }) => ({
          ...none,
          postcodes: [{ fact, country: "PT", patterns: [pattern], holds }],
        }));
    default:
      throw new Error(`no shopper fact is of ${fact.domain.kind}`);
  }
}

/** Whether a value is as asked: this is read the other way round, from the value. */
function isAsAsked({ flags, numbers, names, sets, postcodes }: Asked, fact: Fact, value: unknown): boolean {
  const [code] = postcodes;
  if (code) {
    const matches = code.patterns.some((text) => postcodePattern(code.country, text)?.matches(String(value)));
    return typeof value === "string" && matches === code.holds;
  }
  if (flags.has(fact)) return flags.get(fact) === value;
  if (names.has(fact)) return typeof value === "string" && names.get(fact)?.in?.includes(value) === true;
  const some = sets.get(fact);
  if (some) return Array.isArray(value) && some.someOf.every((list) => list.some((name) => value.includes(name)));
  const within = numbers.get(fact) ?? [];
  if (value === Number.POSITIVE_INFINITY) return within.some(({ until }) => until === null);
  return typeof value === "number" && meet(within, [{ from: value, until: value + 1 }]).length > 0;
}

describe("facts about shoppers", () => {
  it.each(SHOPPER_FACTS.map((fact) => [fact.name, fact] as const))(
    "%s: somebody is made of whom it is so",
    (_, fact) => {
      fc.assert(
        fc.property(askedOfOne(fact), (asked) => {
          const shopper = shopperAsAsked(asked, AT);
          if (!shopper) throw new Error("nobody was found");
          expect(checkShopper(shopper)).toHaveProperty("value");
          expect([fact.read(shopper, AT), isAsAsked(asked, fact, fact.read(shopper, AT))]).toEqual([
            fact.read(shopper, AT),
            true,
          ]);
        }),
        { numRuns: 200 },
      );
    },
  );

  it("hold together: whoever has ordered last has ordered once", () => {
    const [count, since] = ["shopper.orderCount", "shopper.daysSinceOrder"].map((name) =>
      SHOPPER_FACTS.find((fact) => fact.name === name),
    );
    if (!count || !since) throw new Error("facts are gone");
    const asked = (orders: Intervals, days: Intervals): Asked => ({
      ...none,
      numbers: new Map<Fact, Intervals>([
        [count, orders],
        [since, days],
      ]),
    });
    const never = [{ from: 0, until: 1 }];
    expect(shopperAsAsked(asked(never, [{ from: 0, until: 30 }]), AT)).toBeUndefined();
    expect(shopperAsAsked(asked(never, [{ from: 90, until: null }]), AT)).toMatchObject({ orderCount: 0 });
    expect(shopperAsAsked(asked([{ from: 0, until: 5 }], [{ from: 3, until: 4 }]), AT)).toMatchObject({
      orderCount: 1,
      lastOrderAt: "2026-11-21T12:00:00.000Z",
    });
  });

  it("are described as people say them, and come out as requests have them", () => {
    expect(shopperAsDescribed(PLAIN_SHOPPER)).toEqual({ id: "described", signedIn: true, groups: [], business: false });
    const described = { ...PLAIN_SHOPPER, groups: ["trade"], orderCount: 2, lastOrder: "2026-11-20" };
    const shopper = shopperAsDescribed(described);
    expect(shopper).toMatchObject({ groups: ["trade"], orderCount: 2, lastOrderAt: "2026-11-20T12:00:00Z" });
    expect(checkShopper(shopper)).toHaveProperty("value");
    expect(daysDescribed(described)).toContainEqual({ field: "lastOrder", day: "2026-11-20" });
  });
});
