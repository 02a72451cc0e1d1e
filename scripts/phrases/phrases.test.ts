import { fileURLToPath } from "node:url";
import { type MessageFormatElement, parse, TYPE } from "@formatjs/icu-messageformat-parser";
import { IntlMessageFormat } from "intl-messageformat";
import { describe, expect, it } from "vitest";
import { CATALOGUE, catalogueText, readCatalogue, upToDate } from "./catalogue.ts";
import { messagesIn, parsed, sourceFiles } from "./find-phrases.ts";
import { phrasesAsText } from "./phrases-as-text.ts";
import { madeByReader, saidAtLoad } from "./said-at-load.ts";
import { wordsOutside } from "./words-outside.ts";

const root = fileURLToPath(new URL("../../", import.meta.url));
const catalogue = readCatalogue(root);
const pairs = Object.values(catalogue).flatMap((messages) => Object.entries(messages));

/** Placeholders of a message, and those of them that plurals agree with. */
function placeholders(message: string): { all: string[]; numbers: string[] } {
  const found = { all: new Set<string>(), numbers: new Set<string>() };
  const visit = (elements: readonly MessageFormatElement[]): void => {
    for (const element of elements) {
      if (element.type === TYPE.argument || element.type === TYPE.number) found.all.add(element.value);
      if (element.type === TYPE.number) found.numbers.add(element.value);
      if (element.type !== TYPE.plural && element.type !== TYPE.select) continue;
      found.all.add(element.value);
      if (element.type === TYPE.plural) found.numbers.add(element.value);
      for (const { value } of Object.values(element.options)) visit(value);
    }
  };
  visit(parse(message, { ignoreTag: true, requiresOtherClause: true }));
  return { all: [...found.all].sort(), numbers: [...found.numbers].sort() };
}

/** Texts that are no words of the app: the command line speaks English, shops have languages of their own. */
const NOT_OF_THE_APP: readonly RegExp[] = [
  /^cli\//,
  // SQL, headers and logs; what the server says to people is a phrase, which its types ask for.
  /^server\//,
  /^web\/pages\//,
  /^core\/messages\/(house-texts|free-word)\.ts$/,
  /^web\/preview\/shopper\/shop-words\//,
  // Lists of codes, and where they are from.
  /^core\/(money\/currency|places\/region-tables)\.ts$/,
];
const NO_WORDS: ReadonlySet<string> = new Set([
  // Keys of things that are the same.
  ...["in in in", "in in out", "in out in", "in out out", "out in in", "out in out", "out out in", "out out out"],
  ...["value …", "items … …", "distance …", "day … …", "placeholder …", "let go"],
  // Selectors, and what is written on keys.
  "a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex='0']",
  ...["Page Up", "Page Down", "Ctrl", "Shift", "Escape"],
  // Ids of schemas, and what a language calls itself.
  ...["Charge", "Condition", "English"],
  // What a pattern puts into the plan, to be changed there like any other text of it.
  ...["Standard", "Parcel", "Parcel service", "Collect in the shop", "Our own round"],
  "We are closed from 24 to 27 December; orders leave on the 28th.",
]);

describe("the catalogue of the app's messages", () => {
  it("has just what the app says, each with its Portuguese (npm run phrases)", () => {
    expect(catalogueText(upToDate(root, catalogue))).toBe(catalogueText(catalogue));
    expect(pairs.filter(([, own]) => own.trim() === "").map(([message]) => message)).toEqual([]);
    expect(pairs.length).toBeGreaterThan(2000);
    expect(CATALOGUE).toMatch(/pt\.json$/);
  });

  it("is of ICU messages that have the same placeholders, and plurals where English has them", () => {
    for (const [message, own] of pairs) {
      const [english, portuguese] = [placeholders(message), placeholders(own)];
      expect([message, portuguese.all]).toEqual([message, english.all]);
      // What agrees with a number in one may do so in the other, and gets a number either way.
      for (const name of portuguese.numbers)
        expect([message, english.numbers]).toEqual([message, expect.arrayContaining([name])]);
      const values = Object.fromEntries(english.all.map((name) => [name, english.numbers.includes(name) ? 1 : "x"]));
      for (const count of [0, 1, 2, 1_000_000])
        for (const [text, locale] of [
          [message, "en"],
          [own, "pt-PT"],
        ] as const) {
          const filled = Object.fromEntries(
            Object.entries(values).map(([name, value]) => [name, typeof value === "number" ? count : value]),
          );
          expect(
            String(new IntlMessageFormat(text, locale, undefined, { ignoreTag: true }).format(filled)),
          ).not.toContain("undefined");
        }
    }
  });

  it("keeps the spaces and signs that messages begin and end with, since others are joined to them", () => {
    const edges = (text: string) => [
      /^[\s,;:]*/.exec(text)?.[0].trimStart() === "" ? /^\s*/.exec(text)?.[0] : "sign",
      /\s*$/.exec(text)?.[0],
    ];
    for (const [message, own] of pairs) expect([message, edges(own)]).toEqual([message, edges(message)]);
  });

  it("is given a value for every placeholder, and none besides, wherever a message is said", () => {
    for (const file of sourceFiles(root))
      for (const { message, given, line } of messagesIn(parsed(root, file)))
        if (given)
          expect([`${file}:${line}`, [...given].sort()]).toEqual([`${file}:${line}`, placeholders(message).all]);
  });

  it("knows all the words of the app: none stand in the code beside it", () => {
    const outside = sourceFiles(root)
      .filter((file) => !NOT_OF_THE_APP.some((not) => not.test(file)))
      .flatMap((file) =>
        wordsOutside(parsed(root, file)).flatMap(({ line, words }) =>
          NO_WORDS.has(words) ? [] : [`${file}:${line} ${words}`],
        ),
      );
    expect(outside).toEqual([]);
  });

  it("is spoken for whoever reads then: nothing is said while a module loads", () => {
    const files = sourceFiles(root).filter((file) => file.startsWith("web/"));
    const made = files.flatMap((file) => madeByReader(parsed(root, file)));
    expect(made).toContain("countries");
    const said = files.flatMap((file) => saidAtLoad(parsed(root, file), made).map((where) => `${file}:${where}`));
    expect(said).toEqual([]);
  });

  it("is spoken before it is read: no phrase is written into a text as it is", () => {
    expect(phrasesAsText(root)).toEqual([]);
  });
});
