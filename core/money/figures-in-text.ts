import { Kept } from "../phrases/kept.ts";
import { exponentOf } from "./currency.ts";
import { isNumeral, minorUnits } from "./decimal.ts";

/** An amount that somebody has typed into a text: how it stands there, and what it can mean. */
export type FigureInText = {
  readonly shown: string;
  /** Currencies that are written so, each in minor units: several where a sign or a way to group digits leaves it open. */
  readonly means: readonly { readonly currency: string; readonly minor: number }[];
};

/** Digits with whatever may group them or stand before decimals. */
const NUMERALS = /(?<![\p{Nd}.,])\p{Nd}+(?:[.,٫٬'’\u00a0\u202f ]\p{Nd}+)*/gu;
/** What may stand between a figure and its currency. */
const GAP = /[\p{Zs}\u200e\u200f\u061c]/u;

type Reader = (text: string) => FigureInText[];

/** A store's currencies and languages change rarely, and looking up what currencies are called takes a while. */
const readers = new Kept<Reader>(20);

/**
 * A reader of amounts of money in texts, in any way of writing: signs, codes and names of currencies before or after the figure,
 * digits grouped or not, of any script. What currencies are called is looked up once.
 *
 * @param languages of which names and signs of currencies are known, besides English
 * @example figureReader(["EUR"], ["pt"])("de 1.299,00 euros") // [{ shown: "1.299,00 euros", means: [{ EUR, 129900 }] }]
 */
export const figureReader = (currencies: readonly string[], languages: readonly string[]): Reader =>
  readers.of(`${currencies.join(" ")}/${languages.join(" ")}`, () => readerOf(currencies, languages));

function readerOf(currencies: readonly string[], languages: readonly string[]): Reader {
  const names = namesOf(currencies, languages);
  if (names.size === 0) return () => [];
  const known = new Kept<FigureInText[]>(MOST_TEXTS);
  return (text) => known.of(text, () => readWith(names, text));
}

/**
 * Numerals first, then what stands before and after each: one pattern of numerals and all names takes a tenth of a second to be made ready,
 * and again whenever that has been forgotten.
 */
function readWith(names: Names, text: string): FigureInText[] {
  const figures: FigureInText[] = [];
  let end = 0;
  for (const { 0: numeral, index } of text.matchAll(NUMERALS)) {
    let [nameEnd, nameStart] = [index, index + numeral.length];
    const after = nameStart;
    while (nameEnd > end && GAP.test(text.charAt(nameEnd - 1))) nameEnd -= 1;
    while (GAP.test(text.charAt(nameStart))) nameStart += 1;
    const before = names.endingAt(text, end, nameEnd);
    const following = names.beginningAt(text, nameStart);
    const start = before?.start ?? index;
    end = following?.end ?? after;
    const means = [before, following]
      .flatMap((name) => name?.currencies ?? [])
      .flatMap((currency) => readings(numeral, currency).map((minor) => ({ currency, minor })));
    if (means.length > 0) figures.push({ shown: text.slice(start, end).trim(), means });
  }
  return figures;
}

/** The same texts are read after each edit. */
const MOST_TEXTS = 20_000;

/** The same for names that differ by case or by kinds of spaces. */
const plain = (name: string) => name.toLowerCase().replaceAll(/\p{Zs}/gu, " ");

/** How currencies are written, each way with those it may be. */
class Names {
  private readonly called = new Map<string, Set<string>>();
  private longest = 0;
  get size(): number {
    return this.called.size;
  }
  add(name: string, currency: string): void {
    // Marks of direction say nothing, and an Arabic sign may end in a point or not.
    const key = plain(name.replaceAll(/[\u200e\u200f\u061c]/g, "")).trim();
    if (key === "") return;
    this.called.set(key, (this.called.get(key) ?? new Set()).add(currency));
    this.longest = Math.max(this.longest, key.length);
  }
  /** The longest that ends there, and begins no sooner than `from`. */
  endingAt(text: string, from: number, end: number): { start: number; currencies: string[] } | null {
    for (let start = Math.max(from, end - this.longest); start < end; start += 1) {
      const currencies = this.between(text, start, end);
      if (currencies) return { start, currencies };
    }
    return null;
  }
  /** The longest that begins there. */
  beginningAt(text: string, start: number): { end: number; currencies: string[] } | null {
    for (let end = Math.min(text.length, start + this.longest); end > start; end -= 1) {
      const currencies = this.between(text, start, end);
      if (currencies) return { end, currencies };
    }
    return null;
  }
  private between(text: string, start: number, end: number): string[] | null {
    const name = plain(text.slice(start, end));
    const found = this.called.get(name);
    if (!found) return null;
    // A name in letters is a word of its own: "kd" is not in "kdo".
    if (/^\p{L}/u.test(name) && /\p{L}$/u.test(text.slice(Math.max(0, start - 2), start))) return null;
    if (/\p{L}$/u.test(name) && /^\p{L}/u.test(text.slice(end, end + 2))) return null;
    return [...found];
  }
}

function namesOf(currencies: readonly string[], languages: readonly string[]): Names {
  const names = new Names();
  // One, two, few and many have names of their own.
  for (const currency of currencies)
    for (const locale of new Set(["en", ...languages]))
      for (const currencyDisplay of ["symbol", "narrowSymbol", "code", "name"] as const) {
        const format = new Intl.NumberFormat(locale, { style: "currency", currency, currencyDisplay });
        for (const count of [1, 2, 3, 11, 100]) {
          const part = format.formatToParts(count).find(({ type }) => type === "currency");
          names.add(part?.value ?? "", currency);
        }
      }
  return names;
}

/** What a numeral can come to in a currency: its last separator may stand before decimals, or group digits. */
function readings(numeral: string, currency: string): number[] {
  const exponent = exponentOf(currency) ?? 2;
  const digits = [...numeral].map((one) => (/\p{Nd}/u.test(one) ? digitOf(one) : one)).join("");
  const cut = Math.max(...[".", ",", "٫"].map((mark) => digits.lastIndexOf(mark)));
  const whole = digits.replaceAll(/\D/g, "");
  const grouped = cut < 0 || /^\D\d{2,3}$/.test(digits.slice(cut)) ? [whole] : [];
  const decimals =
    cut < 0 ? [] : [`${digits.slice(0, cut).replaceAll(/\D/g, "")}.${digits.slice(cut + 1).replaceAll(/\D/g, "")}`];
  return [...decimals, ...grouped].flatMap((one) => {
    const read = isNumeral(one) ? minorUnits(one, exponent) : { problem: "none" };
    return "minor" in read ? [read.minor] : [];
  });
}

/** The value of a decimal digit: those of a script stand in a row of ten. */
function digitOf(digit: string): string {
  const code = digit.codePointAt(0) ?? 0;
  let zero = code;
  while (code - zero < 9 && /\p{Nd}/u.test(String.fromCodePoint(zero - 1))) zero -= 1;
  return String(code - zero);
}
