import Big from "big.js";
import {
  add as addDinero,
  allocate as allocateDinero,
  dinero,
  multiply as multiplyDinero,
  toSnapshot,
} from "dinero.js";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { allocate } from "./allocate.ts";
import { decimal, majorUnits, minorUnits, percent } from "./decimal.ts";
import { formatMoney } from "./format.ts";
import { add, ceil, compare, divide, floor, multiply, reduce, roundHalfAway, subtract, whole } from "./rational.ts";

const decimalText = fc
  .tuple(
    fc.integer({ min: -1_000_000, max: 1_000_000 }),
    fc.integer({ min: 0, max: 999_999 }),
    fc.integer({ min: 0, max: 6 }),
  )
  .map(([units, fraction, digits]) =>
    digits === 0 ? `${units}` : `${units}.${String(fraction).padStart(6, "0").slice(0, digits)}`,
  );

const read = (text: string) => {
  const value = decimal(text);
  if (!value) throw new Error(`not a decimal: ${text}`);
  return value;
};

// big.js rounds exactly like the rule here when told RoundingMode.roundHalfUp, which it defines as away from zero.
const half = (value: Big) => BigInt(value.round(0, Big.roundHalfUp).toFixed(0));

describe("exact arithmetic agrees with big.js", () => {
  it("adds, subtracts, multiplies, compares and rounds the same", () => {
    fc.assert(
      fc.property(decimalText, decimalText, (a, b) => {
        const [x, y] = [read(a), read(b)];
        const [bx, by] = [new Big(a), new Big(b)];
        expect(roundHalfAway(add(x, y))).toBe(half(bx.plus(by)));
        expect(roundHalfAway(subtract(x, y))).toBe(half(bx.minus(by)));
        expect(roundHalfAway(multiply(x, y))).toBe(half(bx.times(by)));
        expect(floor(multiply(x, y))).toBe(
          BigInt(
            bx
              .times(by)
              .round(0, floorMode(bx.times(by)))
              .toFixed(0),
          ),
        );
        expect(ceil(x)).toBe(-floor(subtract(whole(0), x)));
        expect(compare(x, y)).toBe(bx.cmp(by));
        expect(compare(reduce(multiply(x, y)), multiply(x, y))).toBe(0);
      }),
    );
  });

  it("divides back what it multiplied, whatever the signs", () => {
    fc.assert(
      fc.property(decimalText, decimalText, (a, b) => {
        fc.pre(read(b).n !== 0n);
        const quotient = divide(read(a), read(b));
        expect(quotient.d > 0n).toBe(true);
        expect(compare(multiply(quotient, read(b)), read(a))).toBe(0);
      }),
    );
  });
});

/** big.js has no floor: down for positives, up (away from zero) for negatives. */
const floorMode = (value: Big) => (value.lt(0) ? Big.roundUp : Big.roundDown);

describe("money agrees with dinero.js", () => {
  it("sums and takes percents of minor units the same", () => {
    const amount = fc.integer({ min: 0, max: 50_000_000 });
    const rate = fc.integer({ min: 0, max: 10_000 });
    fc.assert(
      fc.property(amount, amount, rate, (a, b, hundredths) => {
        const eur = { code: "EUR", base: 10, exponent: 2 };
        const sum = addDinero(dinero({ amount: a, currency: eur }), dinero({ amount: b, currency: eur }));
        const exact = toSnapshot(multiplyDinero(sum, { amount: hundredths, scale: 4 }));
        const text = `${Math.floor(hundredths / 100)}.${String(hundredths % 100).padStart(2, "0")}`;
        const rateHere = percent(text);
        if (!rateHere) throw new Error(text);
        const ours = multiply(whole(a + b), rateHere);
        const reference = { n: BigInt(exact.amount), d: 10n ** BigInt(exact.scale - 2) };
        expect(compare(ours, reference)).toBe(0);
      }),
    );
  });

  it("shares an amount over lines as dinero allocates it: the same sum, never a unit apart", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1_000_000 }),
        fc.array(fc.integer({ min: 1, max: 10_000 }), { minLength: 1, maxLength: 8 }),
        (amount, weights) => {
          const ours = allocate(amount, weights);
          const dineroShares = allocateDinero(
            dinero({ amount, currency: { code: "EUR", base: 10, exponent: 2 } }),
            weights,
          );
          expect(ours.reduce((sum, share) => sum + share, 0)).toBe(amount);
          dineroShares.forEach((share, i) => {
            expect(Math.abs(toSnapshot(share).amount - (ours[i] ?? Number.NaN))).toBeLessThanOrEqual(1);
          });
        },
      ),
    );
  });
});

describe("amounts as people type them", () => {
  it("survive the round trip through minor units in every exponent", () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e12, max: 1e12 }), fc.constantFrom(0, 2, 3, 4), (minor, exponent) => {
        expect(minorUnits(majorUnits(minor, exponent), exponent)).toEqual({ minor: minor === 0 ? 0 : minor });
      }),
    );
  });

  it.each([
    ["45.005", 2, "too-many-decimals"],
    ["1.000", 2, "too-many-decimals"],
    ["1.5", 0, "too-many-decimals"],
    ["1e3", 2, "not-a-decimal"],
    ["1,000", 2, "not-a-decimal"],
    ["", 2, "not-a-decimal"],
    ["999999999999999", 4, "too-large"],
  ] as const)("refuse %s with %i decimals: %s", (text, exponent, problem) => {
    expect(minorUnits(text, exponent)).toEqual({ problem });
  });

  it("format with the ISO digits, also where the formatter would show none", () => {
    expect(formatMoney(1_234_567, "IQD", "en")).toContain("1,234.567");
    expect(formatMoney(4500, "EUR", "en", "short")).toBe("€45");
    expect(formatMoney(4550, "EUR", "en", "short")).toBe("€45.50");
    expect(formatMoney(9500, "JPY", "en")).toBe("¥9,500");
    expect(formatMoney(9_007_199_254_740_991, "EUR", "en")).toBe("€90,071,992,547,409.91");
  });
});
