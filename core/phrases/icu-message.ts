import { type MessageFormatElement, parse, TYPE } from "@formatjs/icu-messageformat-parser";
import { momentFormat, numberFormat, pluralRules } from "./intl-formats.ts";

/** What fills a placeholder; undefined: nothing does. Asked only for those that the message comes to. */
export type Values = (name: string) => string | number | undefined;

/** An ICU message ready to be said. */
export type IcuMessage = {
  /** @throws where a placeholder is filled by nothing, or a number by what is none */
  readonly say: (values: Values) => string;
  readonly elements: readonly MessageFormatElement[];
};

/** A part of a message, said. @param counted the number that `#` stands for within a plural */
type Part = (values: Values, counted: number | undefined) => string;

/** How a number is written by itself and within plurals. */
type WriteNumber = (value: number) => string;

type Language = { readonly locale: string; readonly write: WriteNumber };

/**
 * A message made into functions once: what is said often need not be looked through again. It says what intl-messageformat does with
 * the same message and values, which the tests compare; tags are text.
 *
 * @param write how plain numbers are written, where it is not the way of the language
 * @example icuMessage("{n, plural, one {# item} other {# items}}", "en").say(() => 2) // "2 items"
 * @throws SyntaxError where it cannot be read
 */
export function icuMessage(text: string, locale: string, write?: WriteNumber): IcuMessage {
  const elements = parse(text, { ignoreTag: true, locale: new Intl.Locale(localeFor(locale)) });
  const plain = (value: number) => numberFormat(locale).format(value);
  const part = together(elements, { locale, write: write ?? plain });
  return { elements, say: (values) => part(values, undefined) };
}

const localeFor = (locale: string) => Intl.NumberFormat.supportedLocalesOf(locale)[0] ?? locale;

function together(elements: readonly MessageFormatElement[], language: Language): Part {
  const parts = elements.map((element) => partOf(element, language));
  const [first, second] = parts;
  if (!first) return () => "";
  if (!second) return first;
  return (values, counted) => {
    let said = "";
    for (const part of parts) said += part(values, counted);
    return said;
  };
}

function partOf(element: MessageFormatElement, language: Language): Part {
  const { locale, write } = language;
  switch (element.type) {
    case TYPE.literal: {
      const { value } = element;
      return () => value;
    }
    case TYPE.pound:
      return (_, counted) => (counted === undefined ? "" : write(counted));
    case TYPE.argument:
      return (values) => String(given(element.value, values));
    case TYPE.number: {
      const options = numberOptions(element.style);
      const scale = options?.scale ?? 1;
      if (!options) return (values) => write(Number(given(element.value, values)));
      return (values) => numberFormat(locale, options).format(Number(given(element.value, values)) * scale);
    }
    case TYPE.date:
    case TYPE.time: {
      const options = momentOptions(element.type === TYPE.date ? DATES : TIMES, element.style);
      return (values) => momentFormat(locale, options).format(Number(given(element.value, values)));
    }
    case TYPE.select: {
      const cases = partsOf(element.options, language);
      return (values) => chosen(cases, String(given(element.value, values)), element.value)(values, undefined);
    }
    case TYPE.plural: {
      const cases = partsOf(element.options, language);
      const { value: name, offset, pluralType = "cardinal" } = element;
      return (values) => {
        const value = Number(given(name, values));
        const counted = value - (offset || 0);
        const exact = cases.get(`=${value}`);
        const part = exact ?? chosen(cases, pluralRules(locale, pluralType).select(counted), name);
        return part(values, counted);
      };
    }
    case TYPE.tag:
      throw new SyntaxError(`<${element.value}> is read as a tag`);
  }
}

function given(name: string, values: Values): string | number {
  const value = values(name);
  if (value === undefined) throw new RangeError(`nothing fills {${name}}`);
  return value;
}

const partsOf = (
  options: Readonly<Record<string, { readonly value: readonly MessageFormatElement[] }>>,
  language: Language,
): ReadonlyMap<string, Part> =>
  new Map(Object.entries(options).map(([name, { value }]) => [name, together(value, language)]));

function chosen(cases: ReadonlyMap<string, Part>, wanted: string, name: string): Part {
  const found = cases.get(wanted) ?? cases.get("other");
  if (!found) throw new RangeError(`{${name}} has no case for “${wanted}”`);
  return found;
}

/** The styles that ICU messages know by name. */
const NUMBERS: Readonly<Record<string, Intl.NumberFormatOptions>> = {
  integer: { maximumFractionDigits: 0 },
  currency: { style: "currency" },
  percent: { style: "percent" },
};
const DATES: Readonly<Record<string, Intl.DateTimeFormatOptions>> = {
  short: { month: "numeric", day: "numeric", year: "2-digit" },
  medium: { month: "short", day: "numeric", year: "numeric" },
  long: { month: "long", day: "numeric", year: "numeric" },
  full: { weekday: "long", month: "long", day: "numeric", year: "numeric" },
};
const CLOCK = { hour: "numeric", minute: "numeric" } as const;
const TIMES: Readonly<Record<string, Intl.DateTimeFormatOptions>> = {
  short: CLOCK,
  medium: { ...CLOCK, second: "numeric" },
  long: { ...CLOCK, second: "numeric", timeZoneName: "short" },
  full: { ...CLOCK, second: "numeric", timeZoneName: "short" },
};

type NumberStyle = Extract<MessageFormatElement, { type: TYPE.number }>["style"];
type MomentStyle = Extract<MessageFormatElement, { type: TYPE.date }>["style"];

const numberOptions = (style: NumberStyle): (Intl.NumberFormatOptions & { readonly scale?: number }) | undefined =>
  typeof style === "string" ? NUMBERS[style] : style?.parsedOptions;

const momentOptions = (
  named: Readonly<Record<string, Intl.DateTimeFormatOptions>>,
  style: MomentStyle,
): Intl.DateTimeFormatOptions | undefined => {
  if (typeof style === "string") return named[style];
  return style?.parsedOptions ?? (named === TIMES ? TIMES.medium : undefined);
};
