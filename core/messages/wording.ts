import { type MessageFormatElement, parse, TYPE } from "@formatjs/icu-messageformat-parser";
import type { Problem } from "../plan/problem.ts";
import { STATES_SAID, type StateSaid } from "./states.ts";

const ALWAYS = ["goal", "reward", "deadline", "place"] as const;
const COUNTED = [...ALWAYS, "counted", "remaining", "percent"] as const;

/**
 * What the text for each state of a step may mention. Money and weights arrive formatted for the shopper; items, percent
 * and remaining items are numbers, so that plurals agree. Once a goal is reached nothing remains, so nothing can mention it.
 */
export const STEP_VARIABLES: Readonly<Record<StateSaid, readonly string[]>> = {
  empty: [...ALWAYS, "remaining"],
  "on-the-way": COUNTED,
  "nearly-there": COUNTED,
  between: COUNTED,
  reached: [...ALWAYS, "counted"],
  top: [...ALWAYS, "counted"],
  covered: [...ALWAYS, "counted"],
  blocked: [...ALWAYS, "counted"],
  "sign-in": ALWAYS,
  "not-for-place": ALWAYS,
  "place-unknown": ALWAYS,
};

/** Every text of a wording with its state and where it stands. */
export function stateTexts(
  wording: { readonly [State in StateSaid]?: Readonly<Record<string, string>> },
  path: string,
): { state: StateSaid; locale: string; text: string; path: string }[] {
  return STATES_SAID.flatMap((state) =>
    Object.entries(wording[state] ?? {}).map(([locale, text]) => ({
      state,
      locale,
      text,
      path: `${path}/${state}/${locale}`,
    })),
  );
}

/** What an option's name and note may mention; `lowered` is "yes" when an offer has made it cheaper. */
export const OPTION_VARIABLES = ["price", "fullPrice", "saving", "lowered", "goal", "remaining"] as const;

/** Problems of an ICU message: text that cannot be read, and placeholders that nothing fills. */
export function wordingProblems(text: string, allowed: readonly string[], path: string): Problem[] {
  let elements: MessageFormatElement[];
  try {
    elements = parse(text, { requiresOtherClause: true, ignoreTag: true });
  } catch (error) {
    return [
      { path, message: `cannot be read as an ICU message: ${error instanceof Error ? error.message : String(error)}` },
    ];
  }
  return [...new Set(variablesIn(elements))]
    .filter((name) => !allowed.includes(name))
    .map((name) => ({
      path,
      message: `nothing fills the placeholder {${name}} here; there are ${allowed.join(", ")}`,
    }));
}

function variablesIn(elements: readonly MessageFormatElement[]): string[] {
  return elements.flatMap((element): string[] => {
    switch (element.type) {
      case TYPE.literal:
      case TYPE.pound:
        return [];
      case TYPE.tag:
        return [`<${element.value}>`, ...variablesIn(element.children)];
      case TYPE.plural:
      case TYPE.select:
        return [element.value, ...Object.values(element.options).flatMap((option) => variablesIn(option.value))];
      default:
        return [element.value];
    }
  });
}
