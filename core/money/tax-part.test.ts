import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { roundHalfAway } from "./rational.ts";
import { roundedQuotient, taxPart } from "./tax-part.ts";

describe("the part of a price that is tax", () => {
  it("is in lowest terms, contained or added", () => {
    const twentyThree = { n: 23, d: 100 };
    expect(taxPart(twentyThree, true)).toEqual({ exact: { n: 23, d: 123 }, n: 23, d: 123 });
    expect(taxPart(twentyThree, false)).toEqual({ exact: twentyThree, n: 23, d: 100 });
    expect(taxPart({ n: 2000, d: 10_000 }, true).exact).toEqual({ n: 1, d: 6 });
  });
});

describe("a quotient in doubles", () => {
  it("is rounded as the exact fraction is, at halves too and as far as doubles go; else nobody is told one", () => {
    const seen = { told: 0, halves: 0, long: 0, untold: 0 };
    const d = fc.oneof(fc.integer({ min: 1, max: 20_000 }), fc.integer({ min: 1, max: 2 ** 51 }));
    const whole = fc.oneof(fc.integer({ min: 0, max: 1_000_000 }), fc.maxSafeNat());
    fc.assert(
      fc.property(d, whole, fc.integer({ min: -1, max: 1 }), fc.boolean(), (of, some, off, isNearHalf) => {
        // A whole and a half of it, or a unit beside that; else any.
        const about = Math.floor(((some % 2000) + 0.5) * of) + off;
        const n = isNearHalf ? Math.max(0, about) : some;
        if (!Number.isSafeInteger(n)) return;
        const rounded = roundedQuotient(n, of);
        if (rounded === null) {
          seen.untold += 1;
          expect(2 * n + of).toBeGreaterThanOrEqual(2 ** 52);
          return;
        }
        seen.told += 1;
        if ((2 * n) % of === 0 && ((2 * n) / of) % 2 === 1) seen.halves += 1;
        if (n > 2 ** 48) seen.long += 1;
        // Big integers are reckoned with by themselves.
        expect(rounded).toBe(roundHalfAway({ n: BigInt(n), d: BigInt(of) }));
      }),
      { numRuns: 20_000 },
    );
    for (const count of Object.values(seen)) expect(count).toBeGreaterThan(100);
  });
});
