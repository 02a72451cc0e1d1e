import { type MessageFormatElement, parse, TYPE } from "@formatjs/icu-messageformat-parser";
import type { Problem } from "../plan/problem.ts";
import { STATES_SAID, type StateSaid } from "./states.ts";

const ALWAYS = ["goal", "reward", "option", "deadline", "place"] as const;
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
  // Nothing here tells the code.
  "code-missing": ALWAYS,
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

/** The placeholders of a message, each as often as it is there. */
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

/** A message's placeholders by name, or undefined when it cannot be read. */
export function placeholdersOf(text: string): ReadonlySet<string> | undefined {
  try {
    return new Set(variablesIn(parse(text, { requiresOtherClause: true, ignoreTag: true })));
  } catch {
    return undefined;
  }
}

/** The plural forms that a language has and a message leaves to `other`, by placeholder. Exact cases stand for theirs. */
export function missingPlurals(text: string, locale: string): { placeholder: string; forms: string[] }[] {
  let elements: MessageFormatElement[];
  try {
    elements = parse(text, { requiresOtherClause: true, ignoreTag: true });
  } catch {
    return [];
  }
  return pluralsIn(elements).flatMap(({ value, options, pluralType }) => {
    const rules = new Intl.PluralRules(locale, { type: pluralType ?? "cardinal" });
    const exact = Object.keys(options).flatMap((key) =>
      key.startsWith("=") ? [rules.select(Number(key.slice(1)))] : [],
    );
    const forms = rules
      .resolvedOptions()
      .pluralCategories.filter((form) => !(form in options) && !exact.includes(form));
    return forms.length > 0 ? [{ placeholder: value, forms }] : [];
  });
}

type PluralPart = Extract<MessageFormatElement, { type: TYPE.plural }>;

function pluralsIn(elements: readonly MessageFormatElement[]): PluralPart[] {
  return elements.flatMap((element): PluralPart[] => {
    if (element.type === TYPE.tag) return pluralsIn(element.children);
    if (element.type !== TYPE.plural && element.type !== TYPE.select) return [];
    const inner = Object.values(element.options).flatMap((option) => pluralsIn(option.value));
    return element.type === TYPE.plural ? [element, ...inner] : inner;
  });
}
