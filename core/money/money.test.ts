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
import {
  add,
  addWhole,
  ceil,
  compare,
  compareProduct,
  divide,
  floor,
  fraction,
  isZero,
  MOST_EXACT,
  multiply,
  negative,
  type Rational,
  reduce,
  roundHalfAway,
  subtract,
  timesWhole,
  whole,
  wholeNumber,
} from "./rational.ts";

const decimalText = fc
  .tuple(
    // Small as most are, and beyond what doubles hold.
    fc.oneof(
      fc.integer({ min: -1_000_000, max: 1_000_000 }),
      fc.maxSafeInteger().map((units) => units % 10 ** 15),
    ),
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
const half = (value: Big) => Number(value.round(0, Big.roundHalfUp).toFixed(0));

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
          Number(
            bx
              .times(by)
              .round(0, floorMode(bx.times(by)))
              .toFixed(0),
          ),
        );
        expect(ceil(x)).toBe(0 - floor(subtract(whole(0), x)));
        expect(compare(x, y)).toBe(bx.cmp(by));
        expect(compare(reduce(multiply(x, y)), multiply(x, y))).toBe(0);
      }),
    );
  });

  it("divides back what it multiplied, whatever the signs", () => {
    fc.assert(
      fc.property(decimalText, decimalText, (a, b) => {
        fc.pre(!isZero(read(b)));
        const quotient = divide(read(a), read(b));
        expect(quotient.d > 0).toBe(true);
        expect(compare(multiply(quotient, read(b)), read(a))).toBe(0);
      }),
    );
  });
});

describe("a fraction in numbers", () => {
  /** Near the most that numbers hold, near halves and thirds of it, near nothing. */
  const figure = fc.oneof(
    fc.integer({ min: -40, max: 40 }),
    fc.integer({ min: -1_000_000_000, max: 1_000_000_000 }),
    fc
      .tuple(fc.integer({ min: -20, max: 20 }), fc.constantFrom(1, -1), fc.integer({ min: 1, max: 9 }))
      .map(([off, sign, part]) => sign * (Math.floor(MOST_EXACT / part) - Math.abs(off))),
  );
  const fractions = fc.tuple(figure, figure).map(([n, d]) => fraction(n, Math.abs(d) || 1));
  /** As close as two fractions come: products of doubles do not tell which is more. */
  const neighbours = fc
    .integer({ min: MOST_EXACT / 4, max: MOST_EXACT })
    .map((d) => [fraction(d - 1, d), fraction(d - 2, d - 1)] as const);
  /** Long denominators that have most in common. */
  const alike = fc
    .tuple(figure, figure, fc.integer({ min: 2 ** 27, max: 2 ** 40 }), fc.integer({ min: 2, max: 9 }))
    .map(([n, m, d, times]) => [fraction(n, d), fraction(m, d * times)] as const);
  const inBigIntegers = ({ n, d }: Rational): Rational => ({ n: BigInt(n), d: BigInt(d) });

  it("is the same as in big integers, up to the most that numbers hold and past it", () => {
    const seen = { numbers: 0, big: 0, close: 0, shortened: 0 };
    fc.assert(
      fc.property(fc.oneof(fc.tuple(fractions, fractions), neighbours, alike), ([a, b]) => {
        const [x, y] = [a, b].map(inBigIntegers);
        if (!x || !y) throw new Error("two go in, two come out");
        const same = (one: Rational, other: Rational) => {
          seen[typeof one.n === "number" ? "numbers" : "big"] += 1;
          expect(BigInt(one.n) * BigInt(other.d)).toBe(BigInt(other.n) * BigInt(one.d));
          expect(one.d > 0).toBe(true);
          if (typeof one.n === "number") expect(Number.isSafeInteger(one.n) && Number.isSafeInteger(one.d)).toBe(true);
        };
        for (const made of [add, subtract, multiply]) same(made(a, b), made(x, y));
        // Beyond what numbers hold, but for what is common to both.
        if (a.d !== b.d && Number(a.d) * Number(b.d) > MOST_EXACT && typeof add(a, b).n === "number")
          seen.shortened += 1;
        if (!isZero(b)) same(divide(a, b), divide(x, y));
        same(addWhole(a, Number(b.n)), add(x, whole(BigInt(b.n))));
        same(timesWhole(a, Number(b.n)), multiply(x, whole(BigInt(b.n))));
        for (const made of [negative, reduce]) same(made(a), made(x));
        const products = BigInt(a.n) * BigInt(b.d) - BigInt(b.n) * BigInt(a.d);
        if (products !== 0n && products > -9n && products < 9n) seen.close += 1;
        expect(compare(a, b)).toBe(products < 0n ? -1 : products > 0n ? 1 : 0);
        for (const c of [a, b, multiply(a, b), add(multiply(a, b), fraction(1, MOST_EXACT))])
          expect(compareProduct(a, b, c)).toBe(compare(multiply(x, y), inBigIntegers(c)));
        for (const made of [floor, ceil, roundHalfAway, wholeNumber, isZero]) expect(made(a)).toBe(made(x));
      }),
      { numRuns: 5000 },
    );
    for (const count of Object.values(seen)) expect(count).toBeGreaterThan(100);
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
        const reference = fraction(exact.amount, 10 ** (exact.scale - 2));
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
