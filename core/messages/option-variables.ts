import { fullPrice } from "./option-variables/full-price.ts";
import { goal } from "./option-variables/goal.ts";
import { lowered } from "./option-variables/lowered.ts";
import { price } from "./option-variables/price.ts";
import { remaining } from "./option-variables/remaining.ts";
import { saving } from "./option-variables/saving.ts";
import type { OptionFigures, OptionVariable, VariableKind } from "./variable.ts";

/** Everything that an option's name and note may mention. A new one is a file of its own and its name in this list. */
export const OPTION_VARIABLES: readonly OptionVariable[] = [price, fullPrice, saving, lowered, goal, remaining];

export const OPTION_VARIABLE_NAMES: readonly string[] = OPTION_VARIABLES.map(({ name }) => name);

export const OPTION_VARIABLE_KINDS: Readonly<Record<string, VariableKind>> = Object.fromEntries(
  OPTION_VARIABLE_NAMES.map((name) => [name, "text"]),
);

/** Every variable with what fills it. */
export const optionValues = (figures: OptionFigures): Record<string, string> =>
  Object.fromEntries(OPTION_VARIABLES.map(({ name, fill }) => [name, fill(figures)]));
