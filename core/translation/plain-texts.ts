import { markedText, readMarked } from "../messages/marked-text.ts";
import { OPTION_VARIABLE_KINDS, OPTION_VARIABLE_NAMES } from "../messages/option-variables.ts";
import { runsOf } from "../messages/rich-text.ts";
import { shopWordProblems } from "../messages/shop-word-problems.ts";
import { SHOP_WORD_NAMES } from "../messages/shop-words.ts";
import { formattingProblems, wordingProblems } from "../messages/wording.ts";
import { phrase } from "../phrases/phrase.ts";
import { type Entity, entitiesOf, entityKey } from "../plan/entities.ts";
import type { Plan } from "../plan/plan.ts";
import type { Problem } from "../schema/problem.ts";
import type { IncomingText } from "./translation-units.ts";

type Texts = Readonly<Record<string, string>>;

/**
 * A text that shoppers read besides the messages of offers, in all its languages: of an option, a zone, a location, a notice or the words around the cart. Bold and
 * links are marks in it. `id` is an XML NMTOKEN.
 */
export type PlainText = {
  readonly id: string;
  readonly texts: Texts;
  /** What it stands in, with other texts. */
  readonly withTexts: (texts: Record<string, string>) => Entity;
  /** What is wrong with it in a language, figures that nothing fills above all. */
  readonly problems: (text: string, locale: string, path: string) => Problem[];
};

/** Every such text of a plan, in the order in which a plan is written. */
export const plainTexts = (plan: Plan): PlainText[] => entitiesOf(plan).flatMap(textsIn);

function textsIn(entity: Entity): PlainText[] {
  const { kind, id, body } = entity;
  const plain = (
    part: string,
    texts: Texts | undefined,
    withTexts: PlainText["withTexts"],
    problems: PlainText["problems"] = () => [],
  ): PlainText[] => (texts ? [{ id: `${kind}:${id}:${part}`, texts, withTexts, problems }] : []);
  switch (kind) {
    case "option": {
      const { name, note, picture, surcharges = [] } = body;
      return [
        ...plain("name", name, (texts) => ({ kind, id, body: { ...body, name: texts } }), figureProblems),
        ...plain(
          "note",
          note && mapped(note, markedText),
          (texts) => ({ kind, id, body: { ...body, note: mapped(texts, readMarked) } }),
          figureProblems,
        ),
        ...plain("picture", picture?.alt, (alt) => ({
          ...{ kind, id },
          body: picture ? { ...body, picture: { ...picture, alt } } : body,
        })),
        ...surcharges.flatMap((one) =>
          plain(`surcharge:${one.id}`, one.name, (texts) => ({
            ...{ kind, id },
            body: { ...body, surcharges: surcharges.map((other) => (other === one ? { ...one, name: texts } : other)) },
          })),
        ),
      ];
    }
    case "store":
      return SHOP_WORD_NAMES.flatMap((word) =>
        plain(
          `word:${word}`,
          body.words?.[word],
          (texts) => ({ kind, id, body: { ...body, words: { ...body.words, [word]: texts } } }),
          (text, _, path) => shopWordProblems(word, text, path),
        ),
      );
    case "zone":
      return plain("called", body.called, (called) => ({ kind, id, body: { ...body, called } }));
    case "location":
      return (["name", "address", "instructions"] as const).flatMap((part) =>
        plain(part, body[part], (texts) => ({ kind, id, body: { ...body, [part]: texts } })),
      );
    case "notice": {
      const { texts, link } = body;
      return [
        ...plain("text", texts, (other) => ({ kind, id, body: { ...body, texts: other } })),
        ...plain("link", link?.texts, (other) => ({
          ...{ kind, id },
          body: link ? { ...body, link: { ...link, texts: other } } : body,
        })),
      ];
    }
    default:
      return [];
  }
}

const mapped = <From, To>(texts: Readonly<Record<string, From>>, to: (text: From) => To): Record<string, To> =>
  Object.fromEntries(Object.entries(texts).map(([locale, text]) => [locale, to(text)]));

const figureProblems: PlainText["problems"] = (text, locale, path) =>
  runsOf(readMarked(text)).flatMap((run) => {
    if (!run.text.includes("{")) return [];
    const unread = wordingProblems(run.text, OPTION_VARIABLE_NAMES, path);
    return unread.length > 0 ? unread : formattingProblems(run.text, locale, OPTION_VARIABLE_KINDS, path);
  });

/**
 * Takes translated plain texts into a plan: all of them, or none with a line for each that cannot be taken.
 *
 * @param source the language that they were translated from
 * @returns the entities that change
 */
export function withPlainTexts(
  plan: Plan,
  incoming: readonly IncomingText[],
  source: string,
): { entities: Entity[] } | { problems: Problem[] } {
  const entities = new Map(entitiesOf(plan).map((entity) => [entityKey(entity), entity]));
  const home = new Map([...entities].flatMap(([key, entity]) => textsIn(entity).map(({ id }) => [id, key] as const)));
  const changed = new Set<string>();
  const problems: Problem[] = [];
  for (const { unit, locale, text, source: madeFrom } of incoming) {
    const key = home.get(unit) ?? "";
    const entity = entities.get(key);
    const found = entity && textsIn(entity).find(({ id }) => id === unit);
    const path = `${unit} (${locale})`;
    if (!found) problems.push({ path, message: phrase("the plan has no such text") });
    else if (madeFrom !== undefined && madeFrom !== found.texts[source])
      problems.push({ path, message: phrase("the source text has changed since the file was made") });
    else {
      problems.push(...found.problems(text, locale, path), ...lostMarks(found.texts[source] ?? "", text, path));
      if (found.texts[locale] === text || text === "") continue;
      entities.set(key, found.withTexts({ ...found.texts, [locale]: text }));
      changed.add(key);
    }
  }
  return problems.length > 0 ? { problems } : { entities: [...changed].flatMap((key) => entities.get(key) ?? []) };
}

/** Links of the source that lead nowhere any more: the words are translated, where they lead is not. */
function lostMarks(source: string, text: string, path: string): Problem[] {
  const linksOf = (marked: string) => new Set(runsOf(readMarked(marked)).flatMap(({ link }) => link ?? []));
  const there = linksOf(text);
  return [...linksOf(source)]
    .filter((link) => !there.has(link))
    .map((link) => ({ path, message: phrase("the link to {link} of the source is missing", { link }) }));
}
