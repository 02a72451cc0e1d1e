import { type MessageFormatElement, parse, TYPE } from "@formatjs/icu-messageformat-parser";
import type { Problem } from "../plan/problem.ts";

/**
 * What the text for each state of a step may mention. Money arrives formatted for the shopper; `percent` is a whole
 * number. Once a goal is reached nothing remains, so nothing can mention it.
 */
export const STEP_VARIABLES = {
  empty: ["goal", "remaining"],
  "on-the-way": ["goal", "counted", "remaining", "percent"],
  reached: ["goal", "counted"],
  "place-unknown": ["goal"],
} as const;

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
