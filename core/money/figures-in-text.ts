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
const NUMERAL = String.raw`\p{Nd}+(?:[.,٫٬'’\u00a0\u202f ]\p{Nd}+)*`;

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
  const called = namesOf(currencies, languages);
  if (called.size === 0) return () => [];
  const names = [...called.keys()]
    .sort((a, b) => b.length - a.length)
    .map(bounded)
    .join("|");
  const gap = String.raw`[\p{Zs}\u200e\u200f\u061c]*`;
  const pattern = new RegExp(`(?:(${names})${gap})?(?<![\\p{Nd}.,])(${NUMERAL})(?:${gap}(${names}))?`, "giu");
  const read: Reader = (text) =>
    [...text.matchAll(pattern)].flatMap(([shown, before, numeral = "", after]) => {
      const means = [before, after]
        .flatMap((name) => [...(called.get(folded(name ?? "")) ?? [])])
        .flatMap((currency) => readings(numeral, currency).map((minor) => ({ currency, minor })));
      return means.length > 0 ? [{ shown: shown.trim(), means }] : [];
    });
  const known = new Kept<FigureInText[]>(MOST_TEXTS);
  return (text) => known.of(text, () => read(text));
}

/** The same texts are read after each edit. */
const MOST_TEXTS = 20_000;

/** Marks of direction say nothing, and an Arabic sign may end in a point or not. */
const folded = (name: string) =>
  name
    .toLowerCase()
    .replaceAll(/[\u200e\u200f\u061c]/g, "")
    .replaceAll(/[\p{Zs}]/gu, " ");

/** A name in letters is a word of its own: "kd" is not in "kdo". */
function bounded(name: string): string {
  const plain = name.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`).replaceAll(" ", String.raw`\p{Zs}`);
  return `${/^\p{L}/u.test(name) ? String.raw`(?<!\p{L})` : ""}${plain}${/\p{L}$/u.test(name) ? String.raw`(?!\p{L})` : ""}`;
}

/** How currencies are written, each way with those it may be. */
function namesOf(currencies: readonly string[], languages: readonly string[]): Map<string, Set<string>> {
  const called = new Map<string, Set<string>>();
  // One, two, few and many have names of their own.
  for (const currency of currencies)
    for (const locale of new Set(["en", ...languages]))
      for (const currencyDisplay of ["symbol", "narrowSymbol", "code", "name"] as const) {
        const format = new Intl.NumberFormat(locale, { style: "currency", currency, currencyDisplay });
        for (const count of [1, 2, 3, 11, 100]) {
          const part = format.formatToParts(count).find(({ type }) => type === "currency");
          const name = folded(part?.value ?? "").trim();
          if (name !== "") called.set(name, (called.get(name) ?? new Set()).add(currency));
        }
      }
  return called;
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
