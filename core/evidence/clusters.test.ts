import * as fc from "fast-check";
import { ckmeans } from "simple-statistics";
import { describe, expect, it } from "vitest";
import "../tests/seed.ts";
import { type Chance, chanceFrom, normalFrom } from "./chance.ts";
import { clustersOf } from "./clusters.ts";
import { partition, type Weighted } from "./partition.ts";
import { ordersIn, type Spread, spreadOf } from "./spread.ts";

const spreadFrom = (values: readonly number[]): Spread =>
  spreadOf(values.map((value) => ({ value: Math.max(1, Math.round(value)), orders: 1, charged: 0 })));

/** So many draws, by the hundred minor units: prices end as prices do. */
const drawn = (count: number, draw: () => number) => Array.from({ length: count }, draw);
const HISTORIES = 400;
const between = (chance: Chance, low: number, high: number) => low + (high - low) * chance();
const sizeOf = (chance: Chance) => Math.round(between(chance, 200, 4000));

/** Shapes with one peak on logarithms: the bell, skewed to either side, and with heavy tails. */
const ONE_PEAK: readonly ((chance: Chance, width: number) => number)[] = [
  (chance, width) => width * normalFrom(chance),
  (chance, width) => width * (normalFrom(chance) + 1.2 * Math.abs(normalFrom(chance))),
  (chance, width) => -width * (normalFrom(chance) + 1.2 * Math.abs(normalFrom(chance))),
  (chance, width) => (width * normalFrom(chance)) / Math.sqrt((normalFrom(chance) ** 2 + 4 + chance()) / 5),
];

describe("clusters", () => {
  it("are one in at least 95 of 100 histories with one peak", () => {
    const chance = chanceFrom(11);
    let wrong = 0;
    for (let i = 0; i < HISTORIES; i += 1) {
      const shape = ONE_PEAK[i % ONE_PEAK.length];
      const [middle, width] = [between(chance, 1500, 9000), between(chance, 0.2, 0.7)];
      const ending = [1, 10, 50][i % 3] ?? 1;
      const values = drawn(sizeOf(chance), () => {
        const value = middle * Math.exp(shape?.(chance, width) ?? 0);
        return Math.round(value / ending) * ending;
      });
      if (clustersOf(spreadFrom(values)).length !== 1) wrong += 1;
    }
    console.log(`false peaks: ${wrong} of ${HISTORIES}`);
    expect(wrong / HISTORIES).toBeLessThan(0.05);
  });

  it("are two, where two clear ones are, in at least 95 of 100 histories", () => {
    const chance = chanceFrom(12);
    let found = 0;
    for (let i = 0; i < HISTORIES; i += 1) {
      const [middle, width, share] = [
        between(chance, 1500, 5000),
        between(chance, 0.1, 0.35),
        between(chance, 0.2, 0.8),
      ];
      const values = drawn(sizeOf(chance), () => {
        const second = chance() < share ? 0 : 4 * width;
        return middle * Math.exp(second + width * normalFrom(chance));
      });
      const clusters = clustersOf(spreadFrom(values));
      const gap = middle * Math.exp(2 * width);
      if (clusters.length === 2 && clusters[0] && clusters[1] && clusters[0].peak < gap && clusters[1].peak > gap)
        found += 1;
    }
    console.log(`two peaks found: ${found} of ${HISTORIES}`);
    expect(found / HISTORIES).toBeGreaterThanOrEqual(0.95);
  });

  it("of 30 to 45 and 90 to 105 are two with those ranges (F3: common practice, no source)", () => {
    const chance = chanceFrom(13);
    const values = drawn(3000, () => (chance() < 0.6 ? between(chance, 3000, 4500) : between(chance, 9000, 10_500)));
    const [low, high, ...more] = clustersOf(spreadFrom(values));
    expect(more).toEqual([]);
    expect([low?.from, low?.to, high?.from, high?.to].map((at) => Math.round((at ?? 0) / 500) * 5)).toEqual([
      30, 45, 90, 105,
    ]);
    expect((low?.orders ?? 0) + (high?.orders ?? 0)).toBe(3000);
  });

  it("just above a goal then in force are marked as made by it, others are not", () => {
    const chance = chanceFrom(14);
    const values = drawn(4000, () =>
      chance() < 0.7 ? 2000 * Math.exp(0.2 * normalFrom(chance)) : between(chance, 5000, 5300),
    );
    expect(clustersOf(spreadFrom(values), [5000]).map(({ madeBy }) => madeBy)).toEqual([null, 5000]);
    expect(clustersOf(spreadFrom(values), [5600]).map(({ madeBy }) => madeBy)).toEqual([null, null]);
  });

  it("are none where there are too few orders to tell, or none with a value", () => {
    expect(clustersOf([])).toEqual([]);
    expect(clustersOf(spreadFrom([1000, 2000, 3000]))).toEqual([]);
    expect(clustersOf([{ value: 0, orders: 500, charged: 0 }])).toEqual([]);
  });
});

const points: fc.Arbitrary<Weighted[]> = fc
  .uniqueArray(fc.record({ at: fc.integer({ min: 0, max: 60 }), weight: fc.integer({ min: 1, max: 6 }) }), {
    minLength: 1,
    maxLength: 9,
    selector: ({ at }) => at,
  })
  .map((all) => all.sort((a, b) => a.at - b.at));

function costOf(all: readonly Weighted[], cuts: readonly number[]): number {
  return cuts.reduce((total, from, i) => {
    const part = all.slice(from, cuts[i + 1] ?? all.length);
    const weight = part.reduce((sum, one) => sum + one.weight, 0);
    const mean = part.reduce((sum, one) => sum + one.at * one.weight, 0) / weight;
    return total + part.reduce((sum, one) => sum + one.weight * (one.at - mean) ** 2, 0);
  }, 0);
}

/** Every way to cut so many points into so many parts. */
function everyCut(count: number, parts: number, first = 0): number[][] {
  if (parts === 1) return [[first]];
  return Array.from({ length: count - first - parts + 1 }, (_, i) => first + 1 + i).flatMap((next) =>
    everyCut(count, parts - 1, next).map((rest) => [first, ...rest]),
  );
}

describe("a line cut into parts", () => {
  it("costs no more than any other way to cut it, whatever the weights", () => {
    fc.assert(
      fc.property(points, fc.integer({ min: 1, max: 4 }), (all, parts) => {
        const wanted = Math.min(parts, all.length);
        const least = Math.min(...everyCut(all.length, wanted).map((cuts) => costOf(all, cuts)));
        expect(costOf(all, partition(all, parts))).toBeCloseTo(least, 6);
      }),
    );
  });

  it("is what simple-statistics' ckmeans makes of it, all weights being one", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.double({ min: 0, max: 12, noNaN: true }), { minLength: 4, maxLength: 60 }),
        fc.integer({ min: 1, max: 4 }),
        (places, parts) => {
          const all = places.sort((a, b) => a - b).map((at) => ({ at, weight: 1 }));
          const theirs = ckmeans(places, parts);
          const starts = theirs.map((_, i) => theirs.slice(0, i).reduce((sum, part) => sum + part.length, 0));
          // Where two ways cost the same, either is right.
          expect(costOf(all, partition(all, parts))).toBeCloseTo(costOf(all, starts), 6);
        },
      ),
    );
  });
});

describe("a spread", () => {
  it("holds every order once, whatever it is put together from", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(50), fc.integer({ min: 1, max: 9 }), fc.nat(900))), (all) => {
        const spread = spreadOf(all.map(([value, orders, charged]) => ({ value, orders, charged })));
        expect(ordersIn(spread)).toBe(all.reduce((sum, [, orders]) => sum + orders, 0));
        expect(spread.reduce((sum, { charged }) => sum + charged, 0)).toBe(all.reduce((sum, [, , c]) => sum + c, 0));
        expect(spread.every(({ value }, i) => i === 0 || value > (spread[i - 1]?.value ?? value))).toBe(true);
      }),
    );
  });
});
