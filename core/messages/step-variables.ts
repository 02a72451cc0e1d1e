import type { Values } from "../phrases/icu-message.ts";
import type { MessageState } from "./states.ts";
import { counted } from "./step-variables/counted.ts";
import { deadline } from "./step-variables/deadline.ts";
import { goal } from "./step-variables/goal.ts";
import { goods } from "./step-variables/goods.ts";
import { option } from "./step-variables/option.ts";
import { percent } from "./step-variables/percent.ts";
import { place } from "./step-variables/place.ts";
import { remaining } from "./step-variables/remaining.ts";
import { reward } from "./step-variables/reward.ts";
import type { MessageValues, StepVariable, VariableKind } from "./variable.ts";

/** Everything that texts about steps may mention. A new one is a file of its own and its name in this list. */
export const STEP_VARIABLES: readonly StepVariable[] = [
  goal,
  reward,
  option,
  deadline,
  place,
  goods,
  counted,
  remaining,
  percent,
];

/** What the text for a state may mention. @example stepVariableNames("place-unknown") // ["goal", "reward", "option", …] */
export const stepVariableNames = (state: MessageState): readonly string[] =>
  STEP_VARIABLES.filter(({ isIn }) => isIn(state)).map(({ name }) => name);

/**
 * What each variable of a step's texts is filled with. Goal, counted and remaining are numbers where items are counted; money
 * and weights come as texts, and so does everything in texts of the whole plan, which may be said of any step.
 *
 * @param counts what the offer counts; null for texts of the whole plan
 */
export const stepVariableKinds = (state: MessageState, counts: string | null): Readonly<Record<string, VariableKind>> =>
  Object.fromEntries(STEP_VARIABLES.filter(({ isIn }) => isIn(state)).map(({ name, kind }) => [name, kind(counts)]));

const BY_NAME = new Map(STEP_VARIABLES.map((variable) => [variable.name, variable]));

/** What fills each variable, worked out when a text asks for it. */
export const stepValues =
  (figures: MessageValues): Values =>
  (name) =>
    BY_NAME.get(name)?.fill(figures);
