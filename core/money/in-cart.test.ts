import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Horizon, type LinearAmount, lessAtLeastZero, linearAmount, min, plus, times } from "./linear-amount.ts";
import { add, type Rational, whole, ZERO } from "./rational.ts";
import { paysLess } from "./rounded-gain.ts";
import type { Stairs } from "./stairs.ts";
import { type Decision, type OneOfMany, Ways } from "./ways.ts";

// Amounts of several carts at once, against the same amounts of each of those carts alone, reckoned unit by unit.

/** The cart with the most holds so much more than the one with the least. */
const MOST_HELD = 12;
/** So many units are looked at. */
const UNITS = 90;

const held: Stairs = {
  slope: ZERO,
  below: ZERO,
  above: whole(MOST_HELD),
  steady: -1,
  madeOf: { kind: "held" },
};

const notAsked = (): never => {
  throw new Error("nothing but what is held is not known");
};
const holding = (held: number): OneOfMany => ({ held, reaches: notAsked, begun: notAsked });

/** What an amount is made of: so much, so much with every unit, and with every one that is held. */
type Made = { readonly at: Rational; readonly slope: Rational; readonly each: Rational };
const part = (most: number): fc.Arbitrary<Rational> =>
  fc.tuple(fc.integer({ min: -most, max: most }), fc.constantFrom(1, 3, 8, 40)).map(([n, d]) => ({ n, d }));
/** Near each other, so that rounding may decide, and far from below nothing, which no price is. */
const made: fc.Arbitrary<Made> = fc.record({
  at: part(60).map((one) => add(whole(400), one)),
  slope: part(3),
  each: part(4),
});
const four = fc.tuple(made, made, made, made);
type Four = readonly [LinearAmount, LinearAmount, LinearAmount, LinearAmount];
const each = ([a, b, c, d]: readonly [Made, Made, Made, Made], amountOf: (one: Made) => LinearAmount): Four => [
  amountOf(a),
  amountOf(b),
  amountOf(c),
  amountOf(d),
];

const ofAll = ({ at, slope, each }: Made): LinearAmount => linearAmount(at, slope, new Map([[held, each]]));
const ofOne = ({ at, slope, each }: Made, more: number, units: number): LinearAmount =>
  plus(linearAmount(at, ZERO), plus(times(units, slope), times(more, each)));

/**
 * The only decision that was left open while something was worked out of all carts, and for how many units all others stand; null where
 * there was none, or there were more.
 */
function openIn(
  decide: (horizon: Horizon) => boolean,
): { readonly decision: Decision; readonly stands: number } | null {
  const ways = new Ways();
  const horizon = new Horizon(2 ** 40, true, ways);
  decide(horizon);
  const [decision, another] = ways.decisions();
  return decision && !another ? { decision, stands: horizon.units } : null;
}

/** How a decision turns out in each cart after so many units, told for all of them; how often that was told and how often it turned. */
function told(decision: Decision, stands: number, truly: (more: number, units: number) => boolean) {
  const seen = { told: 0, turned: 0 };
  for (let more = 0; more <= MOST_HELD; more += 3)
    for (const units of [0, 7]) {
      const most = Math.min(UNITS, stands - units);
      if (most < 0) continue;
      const found = decision.turnsOut(holding(more), units);
      if (!found) continue;
      expect(found.yes).toBe(truly(more, units));
      const after = Array.from({ length: most }, (_, k) => k + 1);
      const turn = after.find((k) => truly(more, units + k) !== found.yes) ?? Number.POSITIVE_INFINITY;
      const turnsIn = found.turnsIn(most);
      if (turnsIn === null) continue;
      expect(turnsIn > most ? Number.POSITIVE_INFINITY : turnsIn).toBe(turn);
      seen.told += 1;
      if (turn <= most) seen.turned += 1;
    }
  return seen;
}

function everyDecision(decide: (amounts: Four, horizon: Horizon | null) => boolean): Record<"told" | "turned", number> {
  const seen = { told: 0, turned: 0 };
  fc.assert(
    fc.property(four, (all) => {
      const open = openIn((horizon) => decide(each(all, ofAll), horizon));
      if (!open) return;
      const found = told(open.decision, open.stands, (more, units) =>
        decide(
          each(all, (one) => ofOne(one, more, units)),
          null,
        ),
      );
      seen.told += found.told;
      seen.turned += found.turned;
    }),
    { numRuns: 1500 },
  );
  return seen;
}

describe("a decision about several carts", () => {
  it("is told of each of them: which of two amounts is less", () => {
    const seen = everyDecision(([a, b], horizon) => min(a, b, horizon) === a);
    expect(Math.min(seen.told, seen.turned)).toBeGreaterThan(1000);
  });

  it("is told of each of them: whether there is less to pay, each amount rounded", () => {
    const seen = everyDecision(([a, b, c, d], horizon) =>
      paysLess({ price: a, off: b }, { price: c, off: d }, horizon),
    );
    expect(Math.min(seen.told, seen.turned)).toBeGreaterThan(1000);
  });

  it("is told of each of them where what is left of a gap goes into it, at least zero", () => {
    const seen = everyDecision(([a, b, c, d], horizon) =>
      paysLess({ price: plus(c, lessAtLeastZero(a, b, horizon)), off: 0 }, { price: d, off: 0 }, horizon),
    );
    expect(Math.min(seen.told, seen.turned)).toBeGreaterThan(300);
  });
});
