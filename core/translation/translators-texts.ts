import { phrase } from "../phrases/phrase.ts";
import type { Entity } from "../plan/entities.ts";
import type { Plan } from "../plan/plan.ts";
import type { Problem } from "../schema/problem.ts";
import { plainTexts, withPlainTexts } from "./plain-texts.ts";
import {
  type IncomingText,
  sourceLanguageOf,
  type TranslationUnit,
  translationUnits,
  withTexts,
} from "./translation-units.ts";

/** What a translator's file holds: a text by its id, in its languages. */
export type TranslatorsText = Pick<TranslationUnit, "id" | "texts">;

/** Everything that shoppers read: the messages of offers, then names, notes, addresses and notices. */
export const translatorsTexts = (plan: Plan): TranslatorsText[] => [...translationUnits(plan), ...plainTexts(plan)];

/**
 * Takes what comes back from translators: all of it, or none with a line for each text that cannot be taken.
 *
 * @returns the entities that change
 */
export function withTranslatorsTexts(
  plan: Plan,
  incoming: readonly IncomingText[],
): { entities: Entity[] } | { problems: Problem[] } {
  const read = [sourceLanguageOf(plan), ...plan.markets.flatMap((market) => market.languages)];
  // A text in pt is read where pt-PT is.
  const isRead = (locale: string) => read.some((tag) => tag === locale || tag.startsWith(`${locale}-`));
  const unread = [...new Set(incoming.map(({ locale }) => locale))].filter((locale) => !isRead(locale));
  if (unread.length > 0)
    return { problems: unread.map((locale) => ({ path: locale, message: phrase("is a language of no market") })) };
  const plain = new Set(plainTexts(plan).map(({ id }) => id));
  const messages = withTexts(
    plan,
    incoming.filter(({ unit }) => !plain.has(unit)),
  );
  const others = withPlainTexts(
    plan,
    incoming.filter(({ unit }) => plain.has(unit)),
    sourceLanguageOf(plan),
  );
  if ("entities" in messages && "entities" in others) return { entities: [...messages.entities, ...others.entities] };
  return { problems: [messages, others].flatMap((result) => ("problems" in result ? result.problems : [])) };
}
