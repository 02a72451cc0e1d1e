import { lastCrossing, turns, type ValuePath, valueAt } from "../measures/value-path.ts";
import { betters, reached } from "./price-options.ts";
import type { Tariff, TariffStep } from "./tariff.ts";

/**
 * Where a step stands:
 * `empty` nothing is in the cart yet; `on-the-way` adding `remaining` earns it; `reached` earned, and it makes its
 * option cheaper; `covered` it would change nothing, its options are that cheap already; `blocked` no amount of goods
 * earns it; `place-unknown` it depends on where the cart goes, and that is not known yet.
 */
export type StepState = "empty" | "on-the-way" | "reached" | "covered" | "blocked" | "place-unknown";

export type StepStanding = { readonly state: StepState; readonly remaining: number | null };

/**
 * The standing of one step. `remaining` is the least filler, in minor units, that earns the step and makes one of its
 * options cheaper; one unit less does not. It is null in every state but `empty` and `on-the-way`.
 *
 * @param paths each measure of the tariff as filler is added to the cart
 */
export function standing(
  tariff: Tariff,
  step: TariffStep,
  paths: readonly ValuePath[],
  emptyCart: boolean,
): StepStanding {
  const now = paths.map((path) => valueAt(path, 0));
  if (reached(step, now)) {
    return { state: betters(tariff, step, now) === "better" ? "reached" : "covered", remaining: null };
  }
  const goal = paths[step.goal.measure];
  const crossing = goal ? lastCrossing(goal, step.goal.least) : null;
  if (crossing === null) return { state: "blocked", remaining: null };

  let anyPrice = false;
  for (const filler of candidates(tariff, paths, crossing)) {
    const outcome = betters(
      tariff,
      step,
      paths.map((path) => valueAt(path, filler)),
    );
    if (outcome === "better") return { state: emptyCart ? "empty" : "on-the-way", remaining: filler };
    if (outcome === "no-better") anyPrice = true;
  }
  return { state: anyPrice ? "covered" : "blocked", remaining: null };
}

/** The crossing, then every later amount of filler at which some comparison of the tariff turns: prices change nowhere else. */
function* candidates(tariff: Tariff, paths: readonly ValuePath[], crossing: number): Generator<number> {
  yield crossing;
  const later = new Set<number>();
  for (const { measure, least } of tariff.thresholds) {
    const path = paths[measure];
    if (path) for (const turn of turns(path, least, null)) if (turn > crossing) later.add(turn);
  }
  yield* [...later].sort((a, b) => a - b);
}
