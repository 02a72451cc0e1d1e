/** Places where a shopper reads about offers. */
export const SURFACES = ["banner", "cart", "checkout"] as const;
export type Surface = (typeof SURFACES)[number];

/**
 * Where a step stands:
 * `empty` nothing is in the cart yet; `on-the-way` adding `remaining` earns it; `reached` earned, and it betters
 * something; `covered` it would change nothing, its options are that cheap already; `blocked` no amount of goods earns
 * it; `sign-in` it would be in reach if only the shopper signed in; `not-for-place` it does not hold where the cart goes;
 * `place-unknown` it depends on where that is, and it is not known yet.
 */
export type StepState =
  | "empty"
  | "on-the-way"
  | "reached"
  | "covered"
  | "blocked"
  | "sign-in"
  | "not-for-place"
  | "place-unknown";

/**
 * What can be said about a step: finer than where it stands. `nearly-there` close to the goal, `between` with an earlier
 * step earned, `top` earned with nothing above it on a ladder of several. Each falls back to the plainer state.
 */
export const STATES_SAID = [
  "empty",
  "on-the-way",
  "nearly-there",
  "between",
  "reached",
  "top",
  "covered",
  "blocked",
  "sign-in",
  "not-for-place",
  "place-unknown",
] as const;
export type StateSaid = (typeof STATES_SAID)[number];
