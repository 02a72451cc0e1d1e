import { chanceFrom, normalFrom } from "./chance.ts";
import type { Given } from "./given.ts";
import { BELOW } from "./near-goal.ts";
import type { Reaction } from "./reaction.ts";
import { ordersIn } from "./spread.ts";
import type { Week } from "./weeks.ts";

/** How many shoppers a little below a goal are taken to go for it: estimated, or stated by somebody, which is a guess. */
export type Share = { readonly share: number; readonly low: number; readonly high: number; readonly isGuess: boolean };

/** What is gained by what is added, and lost by what is given. */
export type Stakes = {
  /** Of what goods cost, from nothing to one. */
  readonly margin: number;
  readonly given: Given;
};

/** Net gain a week with a goal, against none. Amounts in minor units, rounded to the nearest. */
export type GainAt = {
  readonly goal: number;
  readonly gain: number;
  /** Nine times in ten the true gain lies between these, as far as chance goes. */
  readonly low: number;
  readonly high: number;
  /** What it is made of: margin on what is added, less deliveries given away, gifts and what is taken off orders. */
  readonly added: number;
  readonly givenAway: number;
  readonly rewards: number;
  /** Orders a week that would add something, and that reach the goal without. */
  readonly adding: number;
  readonly reaching: number;
  /** Whether it cannot be told from the best one's. */
  readonly asGood: boolean;
  /** Beyond the goals that there were, nobody knows how shoppers react. */
  readonly isGuess: boolean;
};

export type Gain = { readonly weeks: number; readonly orders: number; readonly curve: readonly GainAt[] };

const RESAMPLES = 200;
const SEED = 20_261_127;
/** How far from a goal that there was the share is taken to be the same. */
const BEYOND = 1.15;
/** Below this many weeks, chance cannot be told from what is so. */
const LEAST_WEEKS = 6;

/**
 * Estimates pooled, each by how sure it is; null where there is none.
 *
 * @example pooledShare([{ share: 0.3, low: 0.2, high: 0.4, … }, { share: 0.4, low: 0.2, high: 0.6, … }])?.share // 0.32
 */
export function pooledShare(reactions: readonly Reaction[]): Share | null {
  if (reactions.length === 0) return null;
  const weighted = reactions.map(({ share, low, high }) => ({ share, weight: 1 / Math.max(1e-6, high - low) ** 2 }));
  const all = weighted.reduce((sum, { weight }) => sum + weight, 0);
  const share = weighted.reduce((sum, one) => sum + one.share * one.weight, 0) / all;
  const half = Math.sqrt(1 / all) / 2;
  return { share, low: share - half, high: share + half, isGuess: false };
}

/**
 * What goals would bring a week, against having none. The orders are those of weeks without a goal where there are enough of them;
 * else those of all weeks, with what their goals have moved put back.
 *
 * @param goals in minor units, the lowest first
 * @param known goals that there were, between which a share holds
 */
export function gainOf(
  weeks: readonly Week[],
  goals: readonly number[],
  { share, low, high, isGuess }: Share,
  stakes: Stakes,
  known: readonly number[] = [],
): Gain | null {
  const free = weeks.filter(({ goal }) => goal === null);
  const base = free.length >= LEAST_WEEKS ? free : weeks.filter(({ goal }) => goal !== "several");
  if (base.length < LEAST_WEEKS) return null;
  const worths = base.map((week) => worthsOf(week, goals, share));
  const everyWeek = worths.map((_, i) => i);
  const chance = chanceFrom(SEED);
  // How sure the share is comes with how many weeks there happen to be.
  const spread = (high - low) / 2 / 1.645;
  const draws = Array.from({ length: RESAMPLES }, () => ({
    weeks: everyWeek.map(() => Math.floor(chance() * worths.length)),
    share: share + spread * normalFrom(chance),
  }));
  const at = (i: number, draw: (typeof draws)[number]) =>
    partsAt({ i, goal: goals[i] ?? 0, worths, ...draw, ...stakes });
  const points = goals.map((_, i) => at(i, { weeks: everyWeek, share }));
  const drawn = goals.map((_, i) => draws.map((draw) => at(i, draw).gain));
  const best = points.reduce((found, point, i) => (point.gain > (points[found]?.gain ?? 0) ? i : found), 0);
  const [lowest, highest] = [Math.min(...known) / BEYOND, Math.max(...known) * BEYOND];
  return {
    weeks: base.length,
    orders: base.reduce((sum, { spread: one }) => sum + ordersIn(one), 0),
    curve: goals.map((goal, i) => {
      const differences = (drawn[best] ?? []).map((gain, draw) => gain - (drawn[i]?.[draw] ?? 0));
      const [least] = band(differences);
      const [under, over] = band(drawn[i] ?? []);
      const point = points[i] ?? { gain: 0, added: 0, givenAway: 0, rewards: 0, adding: 0, reaching: 0 };
      return {
        ...rounded(point),
        ...{ goal, low: Math.round(under), high: Math.round(over), asGood: i === best || least <= 0 },
        isGuess: isGuess || goal < lowest || goal > highest,
      };
    }),
  };
}

type Parts = Pick<GainAt, "gain" | "added" | "givenAway" | "rewards" | "adding" | "reaching">;

const rounded = ({ gain, added, givenAway, rewards, adding, reaching }: Parts): Parts => ({
  ...{ gain: Math.round(gain), added: Math.round(added) },
  ...{ givenAway: Math.round(givenAway), rewards: Math.round(rewards) },
  ...{ adding: Math.round(adding * 10) / 10, reaching: Math.round(reaching * 10) / 10 },
});

/** The middle nine tenths. */
function band(values: readonly number[]): [number, number] {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (part: number) => sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))] ?? 0;
  return [at(0.05), at(0.95)];
}

/** Of one week, for each goal: orders a little below it and what they lack together; orders that reach it and what they come to. */
type Worths = {
  readonly near: Float64Array;
  readonly lacking: Float64Array;
  readonly reaching: Float64Array;
  readonly worth: Float64Array;
};

/** @param share of shoppers who went for the goal of the week: so many were moved up, and are put back */
function worthsOf({ spread, goal: held }: Week, goals: readonly number[], share: number): Worths {
  const near = new Float64Array(goals.length);
  const lacking = new Float64Array(goals.length);
  const reaching = new Float64Array(goals.length);
  const worth = new Float64Array(goals.length);
  const moved = typeof held === "number" ? weightsFor(spread, held, share) : () => 1;
  for (const { value, orders } of spread) {
    const weight = orders * moved(value);
    for (const [i, goal] of goals.entries()) {
      if (value >= goal) {
        reaching[i] = (reaching[i] ?? 0) + weight;
        worth[i] = (worth[i] ?? 0) + weight * value;
      } else if (value >= goal * BELOW) {
        near[i] = (near[i] ?? 0) + weight;
        lacking[i] = (lacking[i] ?? 0) + weight * (goal - value);
      }
    }
  }
  return { near, lacking, reaching, worth };
}

/** By how much orders near a goal count more or less, so that as many lie on each side as did before shoppers went for it. */
function weightsFor(spread: Week["spread"], goal: number, share: number): (value: number) => number {
  const taken = Math.min(0.95, Math.max(0, share));
  const [low, high] = [goal * BELOW, goal * (2 - BELOW)];
  let [below, above] = [0, 0];
  for (const { value, orders } of spread) {
    if (value >= low && value < goal) below += orders;
    if (value >= goal && value < high) above += orders;
  }
  const missing = (below * taken) / (1 - taken);
  const kept = above > 0 ? Math.max(0, 1 - missing / above) : 1;
  const returned = below > 0 ? 1 + Math.min(missing, above) / below : 1;
  return (value) => (value >= low && value < goal ? returned : value >= goal && value < high ? kept : 1);
}

type Asked = Stakes & {
  /** Which of the goals it is. */
  readonly i: number;
  readonly goal: number;
  readonly worths: readonly Worths[];
  readonly weeks: readonly number[];
  readonly share: number;
};

/** What a goal comes to in a week on the mean: whoever goes for it adds just what is lacking. */
function partsAt({ i, goal, worths, weeks, share, margin, given }: Asked): Parts {
  let [near, lacking, reaching, worth] = [0, 0, 0, 0];
  for (const week of weeks) {
    near += worths[week]?.near[i] ?? 0;
    lacking += worths[week]?.lacking[i] ?? 0;
    reaching += worths[week]?.reaching[i] ?? 0;
    worth += worths[week]?.worth[i] ?? 0;
  }
  const count = weeks.length;
  const added = (share * lacking * margin) / count;
  const adding = share * near;
  const givenAway = ((reaching + adding) * given.delivery) / count;
  const rewards = ((reaching + adding) * given.order + (worth + adding * goal) * given.ofWorth) / count;
  return {
    ...{ gain: added - givenAway - rewards, added, givenAway, rewards },
    ...{ adding: adding / count, reaching: reaching / count },
  };
}
