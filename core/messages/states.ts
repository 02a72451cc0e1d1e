/** Places where a shopper reads about offers. */
export const SURFACES = ["banner", "cart", "checkout"] as const;
export type Surface = (typeof SURFACES)[number];

/**
 * Where a step stands:
 * `empty` nothing is in the cart yet; `on-the-way` adding `remaining` earns it; `reached` earned, and it betters
 * something; `covered` it would change nothing, its options are that cheap already; `code-missing` only its code is still to
 * be entered; `weight-unknown` its goal is a weight, and one in the cart is not known; `used-up` as often used as it may be;
 * `ended` and `not-yet` its time is over, or has not begun; `blocked` no amount of goods earns it for any other reason;
 * `sign-in` it would be in reach if only the shopper signed in; `not-for-place` it does not hold where the cart goes;
 * `place-unknown` it depends on where that is, and it is not known yet; `unsettled` so many amounts of goods had to be tried that no
 * more were: whether one earns it is not known, and nothing is promised.
 */
export type StepState =
  | "empty"
  | "on-the-way"
  | "reached"
  | "covered"
  | "code-missing"
  | "weight-unknown"
  | "used-up"
  | "ended"
  | "not-yet"
  | "blocked"
  | "sign-in"
  | "not-for-place"
  | "place-unknown"
  | "unsettled";

/** States in which goods change nothing, whatever is added. */
export const OUT_OF_REACH: ReadonlySet<StepState> = new Set([
  "blocked",
  "code-missing",
  "weight-unknown",
  "used-up",
  "ended",
  "not-yet",
  "unsettled",
]);

/**
 * What can be said about a step: finer than where it stands. `nearly-there` close to the goal, `between` with an earlier
 * step earned, `top` earned with nothing above it on a ladder of several. Each falls back to the plainer state. Of what is
 * used up, over, not begun or unsettled, and of weights that are not known, nothing is said.
 */
export const MESSAGE_STATES = [
  "empty",
  "on-the-way",
  "nearly-there",
  "between",
  "reached",
  "top",
  "covered",
  "code-missing",
  "blocked",
  "sign-in",
  "not-for-place",
  "place-unknown",
] as const;
export type MessageState = (typeof MESSAGE_STATES)[number];

export const isMessageState = (state: string): state is MessageState => MESSAGE_STATES.some((one) => one === state);
