import { XMLParser, XMLValidator } from "fast-xml-parser";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import { inFile, type Problem } from "../schema/problem.ts";
import type { IncomingText } from "./translation-units.ts";
import type { TranslatorsText } from "./translators-texts.ts";

const NAMESPACE = "urn:oasis:names:tc:xliff:document:2.0";
/** Placeholders that stand for themselves; whole plural blocks are text, since each language has forms of its own. */
const SIMPLE = /\{\s*([A-Za-z][A-Za-z0-9]*)\s*\}/g;

/**
 * Texts for one target language as an XLIFF 2.0 document (OASIS). Placeholders are `ph` elements with their original data,
 * so that a translator's tool keeps them whole.
 *
 * @example xliffOf(translatorsTexts(plan), "en", "pt")
 */
export function xliffOf(units: readonly TranslatorsText[], source: string, target: string): string {
  const lines = units.flatMap((unit) => {
    const from = unit.texts[source];
    if (from === undefined) return [];
    const to = unit.texts[target];
    const names = [...new Set([from, to ?? ""].flatMap((text) => simpleIn(text)))];
    const dataId = new Map(names.map((name, i) => [name, `d${i + 1}`]));
    return [
      `    <unit id="${escaped(unit.id)}" xml:space="preserve">`,
      ...(names.length > 0
        ? [
            "      <originalData>",
            ...names.map((name) => `        <data id="${dataId.get(name)}">{${name}}</data>`),
            "      </originalData>",
          ]
        : []),
      `      <segment id="s1" state="${to === undefined ? "initial" : "translated"}">`,
      `        <source>${inline(from, dataId)}</source>`,
      ...(to === undefined ? [] : [`        <target>${inline(to, dataId)}</target>`]),
      "      </segment>",
      "    </unit>",
    ];
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<xliff xmlns="${NAMESPACE}" version="2.0" srcLang="${source}" trgLang="${target}">`,
    '  <file id="wording">',
    ...lines,
    "  </file>",
    "</xliff>",
    "",
  ].join("\n");
}

/** Placeholders outside of plural and select blocks. */
function simpleIn(text: string): string[] {
  return pieces(text).flatMap((piece) => ("name" in piece ? [piece.name] : []));
}

type Piece = { readonly text: string } | { readonly name: string };

function pieces(text: string): Piece[] {
  const found: Piece[] = [];
  let depth = 0;
  let rest = 0;
  for (let i = 0; i < text.length; i += 1) {
    if (text[i] === "{" && depth === 0) {
      SIMPLE.lastIndex = i;
      const match = SIMPLE.exec(text);
      if (match?.index === i && match[1] !== undefined) {
        if (i > rest) found.push({ text: text.slice(rest, i) });
        found.push({ name: match[1] });
        i = SIMPLE.lastIndex - 1;
        rest = SIMPLE.lastIndex;
        continue;
      }
    }
    if (text[i] === "{") depth += 1;
    if (text[i] === "}") depth = Math.max(0, depth - 1);
  }
  if (rest < text.length) found.push({ text: text.slice(rest) });
  return found;
}

function inline(text: string, dataId: ReadonlyMap<string, string>): string {
  let number = 0;
  return pieces(text)
    .map((piece) => {
      if ("text" in piece) return escaped(piece.text);
      number += 1;
      return `<ph id="${number}" dataRef="${dataId.get(piece.name)}" disp="${piece.name}"/>`;
    })
    .join("");
}

const escaped = (text: string) =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;").replaceAll('"', "&quot;");

type Node = { readonly [name: string]: unknown };

const MOST_CHARACTERS = 10_000_000;
/** Elements within each other: groups and marks of a translator's tool. */
const MOST_NESTED = 100;

/** A reference to a character by its number, or to one of the five that XML names (XML 1.0, 4.1 and 4.6). */
const REFERENCE = /&([^;&\s]{0,20});/g;
/** Comments, and text in which nothing stands for anything else. */
const AS_IT_IS = /<!\[CDATA\[[\s\S]*?\]\]>|<!--[\s\S]*?-->/g;
const blank = (text: string) => text.replace(/[^\n]/g, " ");
const CDATA = "#cdata";
const NAMED: ReadonlyMap<string, string> = new Map([
  ["amp", "&"],
  ["lt", "<"],
  ["gt", ">"],
  ["quot", '"'],
  ["apos", "'"],
]);

/** The character a reference stands for; undefined where there is none, or none that XML may hold (2.2). */
function referred(reference: string): string | undefined {
  const [, hex, decimal] = /^#(?:x([0-9a-f]+)|(\d+))$/i.exec(reference) ?? [];
  const number = hex === undefined ? Number(decimal ?? "NaN") : Number.parseInt(hex, 16);
  if (Number.isNaN(number)) return NAMED.get(reference);
  const isCharacter =
    [0x9, 0xa, 0xd].includes(number) ||
    (number >= 0x20 && number <= 0xd7ff) ||
    (number >= 0xe000 && number <= 0x10ffff && number !== 0xfffe && number !== 0xffff);
  return isCharacter ? String.fromCodePoint(number) : undefined;
}

const unescaped = (text: string): string =>
  text.replace(REFERENCE, (whole, reference: string) => referred(reference) ?? whole);

/**
 * Reads translated texts back. Only `source`, `target`, `ph` with its data, `pc`, `mrk` and whole text are looked at; what
 * a tool added besides is passed over.
 *
 * @returns every target, or problems with the unit each is in
 */
export function readXliff(xml: string): { texts: IncomingText[] } | { problems: Problem[] } {
  const refuse = (message: Phrase, place = phrase("the file")) => ({ problems: [inFile(place, message)] });
  if (xml.length > MOST_CHARACTERS)
    return refuse(phrase("has more than {most} characters: send it in parts", { most: MOST_CHARACTERS }));
  if (/<!DOCTYPE/i.test(xml)) return refuse(phrase("a document type is not taken"));
  const unknown = [...xml.replace(AS_IT_IS, blank).matchAll(REFERENCE)].find(
    ([, reference = ""]) => referred(reference) === undefined,
  );
  if (unknown)
    return refuse(
      phrase("{reference} stands for no character", { reference: unknown[0] }),
      phrase("line {line}", { line: xml.slice(0, unknown.index).split("\n").length }),
    );
  const valid = XMLValidator.validate(xml);
  if (valid !== true)
    return refuse(phrase("is not XML: {why}", { why: valid.err.msg }), phrase("line {line}", { line: valid.err.line }));
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: "",
    trimValues: false,
    parseTagValue: false,
    parseAttributeValue: false,
    // Here: the package reads none that are numbers.
    processEntities: false,
    cdataPropName: CDATA,
    maxNestedTags: MOST_NESTED,
  });
  let parsed: unknown;
  try {
    parsed = parser.parse(xml);
  } catch (error) {
    return refuse(phrase("cannot be read: {why}", { why: error instanceof Error ? error.message : String(error) }));
  }
  const xliff = childrenNamed(asNodes(parsed), "xliff")[0];
  if (!xliff) return refuse(phrase("is no XLIFF document"));
  const { version, trgLang } = attributesOf(xliff);
  if (version !== "2.0" && version !== "2.1")
    return refuse(phrase("XLIFF {version} is not read; 2.0 is", { version: version ?? phrase("of no version") }));
  if (!trgLang) return refuse(phrase("says no target language"));
  const problems: Problem[] = [];
  const texts = childrenNamed(contentOf(xliff, "xliff"), "file").flatMap((file) =>
    unitsIn(contentOf(file, "file")).flatMap((unit): IncomingText[] => {
      const id = attributesOf(unit).id ?? "";
      const content = contentOf(unit, "unit");
      const data = new Map(
        childrenNamed(content, "originalData").flatMap((original) =>
          childrenNamed(contentOf(original, "originalData"), "data").map((one): [string, string] => [
            attributesOf(one).id ?? "",
            plainText(contentOf(one, "data")),
          ]),
        ),
      );
      const segments = [...childrenNamed(content, "segment"), ...childrenNamed(content, "ignorable")];
      const read = (which: "source" | "target") =>
        segments.map((segment) => {
          const [part] = childrenNamed(contentOf(segment, "segment" in segment ? "segment" : "ignorable"), which);
          return part && textOf(contentOf(part, which), data, id, problems);
        });
      const targets = read("target");
      if (targets.every((target) => target === undefined)) return [];
      if (targets.some((target) => target === undefined)) {
        problems.push({ path: id, message: phrase("only some of its segments are translated") });
        return [];
      }
      return [{ unit: id, locale: trgLang, text: targets.join(""), source: read("source").join("") }];
    }),
  );
  return problems.length > 0 ? { problems } : { texts };
}

/** Units, also those in groups. */
const unitsIn = (nodes: readonly Node[]): Node[] => [
  ...childrenNamed(nodes, "unit"),
  ...childrenNamed(nodes, "group").flatMap((group) => unitsIn(contentOf(group, "group"))),
];

function textOf(nodes: readonly Node[], data: ReadonlyMap<string, string>, unit: string, problems: Problem[]): string {
  return nodes
    .map((node): string => {
      if ("#text" in node || CDATA in node) return plainText([node]);
      if ("ph" in node) {
        const { dataRef = "" } = attributesOf(node);
        const original = data.get(dataRef);
        if (original === undefined)
          problems.push({ path: unit, message: phrase('there is no data "{dataRef}" for a placeholder', { dataRef }) });
        return original ?? "";
      }
      for (const name of ["pc", "mrk"]) if (name in node) return textOf(contentOf(node, name), data, unit, problems);
      return "";
    })
    .join("");
}

const asNodes = (value: unknown): Node[] =>
  Array.isArray(value) ? value.filter((node): node is Node => typeof node === "object" && node !== null) : [];
const childrenNamed = (nodes: readonly Node[], name: string) => nodes.filter((node) => name in node);
const contentOf = (node: Node, name: string) => asNodes(node[name]);
const plainText = (nodes: readonly Node[]): string =>
  nodes
    .map((node) =>
      CDATA in node
        ? contentOf(node, CDATA)
            .map((inner) => String(inner["#text"] ?? ""))
            .join("")
        : unescaped(String(node["#text"] ?? "")),
    )
    .join("");

function attributesOf(node: Node): Readonly<Record<string, string>> {
  const attributes = node[":@"];
  return typeof attributes === "object" && attributes !== null
    ? Object.fromEntries(Object.entries(attributes).map(([name, value]) => [name, unescaped(String(value))]))
    : {};
}
