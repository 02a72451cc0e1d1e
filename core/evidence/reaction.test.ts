import { describe, expect, it } from "vitest";
import { type Chance, chanceFrom, normalFrom, poissonFrom } from "./chance.ts";
import { reactionTo } from "./reaction.ts";
import { spreadOf } from "./spread.ts";
import type { Week } from "./weeks.ts";

/** All of them by npm run test:answers; in npm test as many of the slow ones as tell whether something broke. */
const HISTORIES = 400;
const SOME = process.env.SUMMANT_ALL_ANSWERS ? HISTORIES : 100;
const within = (chance: Chance, low: number, high: number) => low + (high - low) * chance();

/** A made-up history: what shoppers mean to spend, how many of those near a goal go for it, and what comes of it. */
type History = { readonly goal: number; readonly weeks: readonly Week[]; readonly share: number };

/**
 * One to three peaks, heaps at round sums, weeks of all sizes, a slow drift of what is spent; a goal that holds for some of the weeks. A
 * fifth of the histories has shoppers who do not react, a fifth a placebo: a goal that there never was.
 */
function historyFrom(chance: Chance, hasOthers: boolean): History {
  const goal = Math.round(within(chance, 25, 90)) * 100;
  const kind = chance();
  const strength = kind < 0.4 ? 0 : within(chance, 0.05, 0.7);
  const reach = within(chance, 0.1, 0.2);
  const peaks = Array.from({ length: 1 + Math.floor(chance() * 3) }, () => ({
    at: goal * within(chance, 0.45, 2.2),
    width: within(chance, 0.3, 0.6),
    weight: within(chance, 0.5, 1),
  }));
  const all = peaks.reduce((sum, { weight }) => sum + weight, 0);
  const heaps = within(chance, 0, 0.25);
  const drift = within(chance, -0.0006, 0.0006);
  const usual = within(chance, 60, 500);
  let [near, inReach] = [0, 0];
  const weeks = Array.from({ length: 56 }, (_, w): Week => {
    const isHeld = !hasOthers || (w >= 14 && w < 40);
    const values = Array.from({ length: poissonFrom(chance, usual * within(chance, 0.6, 1.5)) }, () => {
      let drawn = chance() * all;
      const peak = peaks.find(({ weight }) => {
        drawn -= weight;
        return drawn < 0;
      }) ?? { at: goal, width: 0.4 };
      const meant = peak.at * Math.exp(peak.width * normalFrom(chance) + drift * w);
      const value = chance() < heaps ? Math.max(500, Math.round(meant / 500) * 500) : Math.round(meant);
      if (!isHeld || value >= goal || value < goal * 0.8) return value;
      near += 1;
      if (value < goal * (1 - reach)) return value;
      inReach += 1;
      return chance() < strength ? Math.round(goal + goal * 0.18 * chance() ** 2) : value;
    });
    const spread = spreadOf(values.map((value) => ({ value, orders: 1, charged: 0 })));
    return { first: String(w), spread, goal: isHeld ? goal : null };
  });
  return { goal, weeks, share: near === 0 ? 0 : (strength * inReach) / near };
}

/** How often nine in ten intervals hold the truth, and how far estimates are off on the whole. */
function coverage(
  seed: number,
  hasOthers: boolean,
  histories: number,
): { covered: number; told: number; bias: number } {
  const chance = chanceFrom(seed);
  let covered = 0;
  let told = 0;
  let bias = 0;
  for (let i = 0; i < histories; i += 1) {
    const { goal, weeks, share } = historyFrom(chance, hasOthers);
    const found = reactionTo(goal, weeks);
    if (!found) continue;
    told += 1;
    bias += found.share - share;
    if (found.low <= share && share <= found.high) covered += 1;
  }
  return { covered: covered / told, told, bias: bias / told };
}

describe("the share of shoppers who go for a goal", () => {
  it.each([
    ["against other weeks", true, 21, HISTORIES],
    ["by the shape of the spread alone", false, 22, SOME],
  ])("%s: nine in ten intervals hold the truth, nothing and placebos among it", (name, hasOthers, seed, histories) => {
    const { covered, told, bias } = coverage(seed, hasOthers, histories);
    console.log(`${name}: ${told} told, ${(covered * 100).toFixed(1)} % covered, bias ${bias.toFixed(4)}`);
    expect(told).toBeGreaterThan(histories * 0.8);
    // A hundred draws of nine in ten are within six of it but once in twenty times.
    expect(covered).toBeGreaterThanOrEqual(histories === HISTORIES ? 0.85 : 0.82);
    expect(covered).toBeLessThanOrEqual(histories === HISTORIES ? 0.95 : 0.98);
    expect(Math.abs(bias)).toBeLessThan(0.03);
  });

  it("is not told where a goal held for a few weeks, or of a few orders", () => {
    const { goal, weeks } = historyFrom(chanceFrom(5), true);
    expect(reactionTo(goal + 1, weeks)).toBeNull();
    const few = weeks.map((week, i) => (i === 20 ? week : { ...week, goal: null }));
    expect(reactionTo(goal, few)).toBeNull();
    expect(
      reactionTo(
        goal,
        weeks.map((week) => ({ ...week, spread: week.spread.slice(0, 1) })),
      ),
    ).toBeNull();
  });
});
