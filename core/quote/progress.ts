import { filler, readLine } from "../cart/read-cart.ts";
import type { Facts, Situation } from "../conditions/facts.ts";
import { type MeasurePath, measureAt, measureCrossing, measureTurns } from "../measures/measure.ts";
import { betters, reached } from "./price-options.ts";
import type { Tariff, TariffOffer, TariffStep } from "./tariff.ts";

/**
 * Where a step stands:
 * `empty` nothing is in the cart yet; `on-the-way` adding `remaining` earns it; `reached` earned, and it makes its
 * option cheaper; `covered` it would change nothing, its options are that cheap already; `blocked` no amount of goods
 * earns it; `place-unknown` it depends on where the cart goes, and that is not known yet.
 */
export type StepState = "empty" | "on-the-way" | "reached" | "covered" | "blocked" | "place-unknown";

export type StepStanding = { readonly state: StepState; readonly remaining: number | null };

/** A cart from which goods can be added: its facts, and each measure of the tariff as filler is added. */
export type Start = {
  readonly facts: Facts;
  readonly paths: readonly MeasurePath[];
  readonly unknownAs: boolean;
};

/** The cart after `filler` minor units were added. */
export function situationAt({ facts, paths, unknownAs }: Start, filler: number): Situation {
  const counted = paths.map((path) => measureAt(path, filler));
  return { facts: filler > 0 ? { ...facts, lines: [...facts.lines, FILLER_LINE] } : facts, counted, unknownAs };
}

const FILLER_LINE = readLine(filler(1));

/**
 * The standing of one step. `remaining` is the least filler, in minor units, that earns the step and makes one of its
 * options cheaper; one unit less does not. It is null in every state but `empty` and `on-the-way`.
 */
export function standing(tariff: Tariff, offer: TariffOffer, step: TariffStep, start: Start): StepStanding {
  const now = situationAt(start, 0);
  if (reached(offer, step, now)) {
    return { state: betters(tariff, step, now) === "better" ? "reached" : "covered", remaining: null };
  }
  const goal = start.paths[step.goal.measure];
  const crossing = goal ? measureCrossing(goal, step.goal.least) : null;
  if (crossing === null) return { state: "blocked", remaining: null };

  let covered = false;
  for (const added of candidates(tariff, start.paths, crossing)) {
    const then = situationAt(start, added);
    const outcome = betters(tariff, step, then);
    if (outcome === "better") {
      return { state: start.facts.lines.length === 0 ? "empty" : "on-the-way", remaining: added };
    }
    if (outcome === "no-better" && reached(offer, step, then)) covered = true;
  }
  return { state: covered ? "covered" : "blocked", remaining: null };
}

/**
 * The crossing, then every later amount of filler at which some comparison of the tariff turns, or the first filler at
 * all, which conditions about lines can see: prices change nowhere else.
 */
function* candidates(tariff: Tariff, paths: readonly MeasurePath[], crossing: number): Generator<number> {
  if (crossing > 0) yield crossing;
  const later = new Set<number>(crossing === 0 ? [1] : []);
  for (const { measure, least } of tariff.thresholds) {
    const path = paths[measure];
    if (path) for (const turn of measureTurns(path, least, null)) if (turn > crossing) later.add(turn);
  }
  yield* [...later].sort((a, b) => a - b);
}
