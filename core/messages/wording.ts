import { type MessageFormatElement, parse, TYPE } from "@formatjs/icu-messageformat-parser";
import { icuMessage } from "../phrases/icu-message.ts";
import { pluralRules } from "../phrases/intl-formats.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import type { Problem } from "../schema/problem.ts";
import { MESSAGE_STATES, type MessageState } from "./states.ts";
import type { VariableKind } from "./variable.ts";

/** Every text of a wording with its state and where it stands. */
export function stateTexts(
  wording: { readonly [State in MessageState]?: Readonly<Record<string, string>> },
  path: string,
): { state: MessageState; locale: string; text: string; path: string }[] {
  return MESSAGE_STATES.flatMap((state) =>
    Object.entries(wording[state] ?? {}).map(([locale, text]) => ({
      state,
      locale,
      text,
      path: `${path}/${state}/${locale}`,
    })),
  );
}

export type VariableKinds = Readonly<Record<string, VariableKind>>;

/** Numbers that bring up every plural form of every language, and figures of some length. */
const TRIAL_NUMBERS = [0, 1, 2, 3, 4, 5, 6, 10, 11, 20, 21, 100, 101, 1000, 1_000_000, 123_456_789];
const TRIAL_TEXTS = ["", "€6.40", "1.452 kg", "yes", "{", "<b>"];

/**
 * Problems of how a text uses its variables, beyond {@link wordingProblems}: forms that do not fit what they are filled with, and
 * whatever else makes it fail or say NaN when it is put into words, tried with values of every length.
 */
export function formattingProblems(text: string, locale: string, kinds: VariableKinds, path: string): Problem[] {
  let elements: MessageFormatElement[];
  try {
    elements = parse(text, { requiresOtherClause: true, ignoreTag: true });
  } catch {
    return [];
  }
  const unfit = formsIn(elements).flatMap((element) => {
    const name = nameOf(element);
    const why = name === undefined ? undefined : unfitForm(element, kinds[name] ?? "text");
    return why === undefined ? [] : [{ path, message: phrase("'{'{name}'}' {why}", { name: name ?? "", why }) }];
  });
  if (unfit.length > 0) return unfit;
  try {
    const message = icuMessage(text, locale);
    for (let i = 0; i < TRIAL_NUMBERS.length; i += 1) {
      const [number, said] = [TRIAL_NUMBERS[i] ?? 0, TRIAL_TEXTS[i % TRIAL_TEXTS.length] ?? ""];
      message.say((name) => (kinds[name] === undefined ? undefined : kinds[name] === "number" ? number : said));
    }
    return [];
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return [{ path, message: phrase("cannot be put into words: {why}", { why: why.split("\n")[0] ?? "" }) }];
  }
}

/** The placeholders that a text takes for numbers, dates or times. */
export const numbersIn = (elements: readonly MessageFormatElement[]): string[] =>
  formsIn(elements).flatMap((element) =>
    element.type === TYPE.plural ||
    element.type === TYPE.number ||
    element.type === TYPE.date ||
    element.type === TYPE.time
      ? [element.value]
      : [],
  );

/** Every placeholder, those inside cases too. */
function formsIn(elements: readonly MessageFormatElement[]): MessageFormatElement[] {
  return elements.flatMap((element) => {
    if (element.type === TYPE.tag) return formsIn(element.children);
    if (element.type !== TYPE.plural && element.type !== TYPE.select) return [element];
    return [element, ...Object.values(element.options).flatMap((option) => formsIn(option.value))];
  });
}

const nameOf = (element: MessageFormatElement): string | undefined =>
  element.type === TYPE.literal || element.type === TYPE.pound ? undefined : element.value;

/** The forms a placeholder may have: by itself, select; for numbers also plural, selectordinal and a plain number. */
function unfitForm(element: MessageFormatElement, kind: VariableKind): Phrase | undefined {
  switch (element.type) {
    case TYPE.argument:
    case TYPE.select:
    case TYPE.literal:
    case TYPE.pound:
    case TYPE.tag:
      return undefined;
    case TYPE.plural:
      return kind === "number" ? undefined : phrase("comes as a text here, so it has no plural");
    case TYPE.number:
      if (kind !== "number") return phrase("comes as a text here, written out already: leave “number” out");
      return element.style === null || element.style === undefined || element.style === "integer"
        ? undefined
        : phrase("is written the way of the language: leave the style of the number out");
    case TYPE.date:
    case TYPE.time:
      return phrase("is no moment: dates and times come written out");
  }
}

/** Problems of an ICU message: text that cannot be read, and placeholders that nothing fills. */
export function wordingProblems(text: string, allowed: readonly string[], path: string): Problem[] {
  let elements: MessageFormatElement[];
  try {
    elements = parse(text, { requiresOtherClause: true, ignoreTag: true });
  } catch (error) {
    const code = error instanceof Error ? error.message : "";
    return [{ path, message: phrase("cannot be read as an ICU message: {why}", { why: unreadWords(code) }) }];
  }
  return [...new Set(variablesIn(elements))]
    .filter((name) => !allowed.includes(name))
    .map((name) => ({
      path,
      message: phrase("nothing fills the placeholder '{'{name}'}' here; there are {allowed}", {
        name,
        allowed: allowed.join(", "),
      }),
    }));
}

/** What the parser calls what it cannot read, in words for whoever wrote the text. */
const UNREAD: Readonly<Record<string, Phrase>> = {
  EXPECT_ARGUMENT_CLOSING_BRACE: phrase("a '{' is not closed"),
  EMPTY_ARGUMENT: phrase("nothing stands between '{ and }'"),
  MALFORMED_ARGUMENT: phrase("what stands behind a '{' is no name"),
  EXPECT_ARGUMENT_TYPE: phrase("behind a comma, plural, select or number is missing"),
  INVALID_ARGUMENT_TYPE: phrase("behind a comma stands neither plural, select, number, date nor time"),
  EXPECT_PLURAL_ARGUMENT_SELECTOR: phrase("a plural has no forms"),
  EXPECT_PLURAL_ARGUMENT_SELECTOR_FRAGMENT: phrase("a form of a plural has no text in braces"),
  INVALID_PLURAL_ARGUMENT_SELECTOR: phrase("a form of a plural is none, such as one, other or =1"),
  DUPLICATE_PLURAL_ARGUMENT_SELECTOR: phrase("a form of a plural is there twice"),
  EXPECT_SELECT_ARGUMENT_OPTIONS: phrase("a choice has no cases"),
  EXPECT_SELECT_ARGUMENT_SELECTOR: phrase("a choice has no cases"),
  EXPECT_SELECT_ARGUMENT_SELECTOR_FRAGMENT: phrase("a case of a choice has no text in braces"),
  DUPLICATE_SELECT_ARGUMENT_SELECTOR: phrase("a case of a choice is there twice"),
  MISSING_OTHER_CLAUSE: phrase("a plural or a choice has no form for other"),
};

const unreadWords = (code: string) =>
  UNREAD[code] ?? phrase("what stands in braces is not written as figures and plurals are");

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
    const rules = pluralRules(locale, pluralType ?? "cardinal");
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
