import type { Values } from "../phrases/icu-message.ts";
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

const BY_NAME = new Map(OPTION_VARIABLES.map((variable) => [variable.name, variable]));

/** What fills each variable, worked out when a text asks for it. */
export const optionValues =
  (figures: OptionFigures): Values =>
  (name) =>
    BY_NAME.get(name)?.fill(figures);
