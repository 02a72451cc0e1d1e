import { MESSAGE_STATES, type MessageState, SURFACES, type Surface } from "../messages/states.ts";
import { stepVariableKinds, stepVariableNames } from "../messages/step-variables.ts";
import type { StepWording } from "../messages/step-wording.ts";
import { formattingProblems, placeholdersOf, wordingProblems } from "../messages/wording.ts";
import type { Offer } from "../offers/offer.ts";
import { keptBy } from "../phrases/kept.ts";
import { phrase } from "../phrases/phrase.ts";
import type { Entity } from "../plan/entities.ts";
import { STORE_ID } from "../plan/entities.ts";
import type { Plan } from "../plan/plan.ts";
import type { Problem } from "../schema/problem.ts";

/** Where a text stands: of a step of an offer, or of the whole plan; for every surface, or one. */
export type WordingPlace = {
  readonly offer: string | null;
  readonly step: string | null;
  readonly surface: Surface | null;
  readonly state: MessageState;
};

/** One text in all its languages. `id` is an XML NMTOKEN. */
export type TranslationUnit = WordingPlace & {
  readonly id: string;
  readonly texts: Readonly<Record<string, string>>;
  /** By language: the source text that a translation was made from, where that is known. */
  readonly translatedFrom: Readonly<Record<string, string>>;
};

export const sourceLanguageOf = (plan: Plan): string => plan.store.sourceLanguage ?? "en";

/**
 * Every text about offers that shoppers read, in the order of offers, steps and states. Several checks ask for those of the same plan,
 * and an edit leaves most offers as they were.
 */
export const translationUnits = keptBy((plan: Plan): readonly TranslationUnit[] => [
  ...unitsOf(plan.store.wording ?? {}, null, null),
  ...plan.offers.flatMap(unitsOfOffer),
]);

const unitsOfOffer = keptBy((offer: Offer): readonly TranslationUnit[] =>
  offer.steps.flatMap((step) => unitsOf(step.wording, offer.id, step.id)),
);

function unitsOf(wording: StepWording, offer: string | null, step: string | null): TranslationUnit[] {
  return [null, ...SURFACES].flatMap((surface) =>
    MESSAGE_STATES.flatMap((state): TranslationUnit[] => {
      const texts = surface === null ? wording[state] : wording.on?.[surface]?.[state];
      if (!texts) return [];
      const place = { offer, step, surface, state };
      const from = Object.keys(texts).flatMap((locale): [string, string][] => {
        const source = wording.translatedFrom?.[fromKey(surface, state, locale)];
        return source === undefined ? [] : [[locale, source]];
      });
      return [{ ...place, id: unitId(place), texts, translatedFrom: Object.fromEntries(from) }];
    }),
  );
}

const unitId = ({ offer, step, surface, state }: WordingPlace) =>
  [offer === null ? "plan" : `offer:${offer}:${step}`, ...(surface === null ? [] : [surface]), state].join(":");

const fromKey = (surface: Surface | null, state: MessageState, locale: string) =>
  [state, ...(surface === null ? [] : [surface]), locale].join("/");

/** Whether a translation was made from another source text than the one that is there now. */
export function isOutdated({ texts, translatedFrom }: TranslationUnit, locale: string, source: string): boolean {
  const from = translatedFrom[locale];
  return locale !== source && texts[locale] !== undefined && from !== undefined && from !== texts[source];
}

/** A wording with one text set, or left out when it is empty; a translation remembers what it was made from. */
export function withText(
  wording: StepWording,
  { surface, state }: Pick<WordingPlace, "surface" | "state">,
  locale: string,
  text: string,
  source: string,
): StepWording {
  const before = (surface === null ? wording[state] : wording.on?.[surface]?.[state]) ?? {};
  const { [locale]: _, ...others } = before;
  const texts = text === "" ? others : { ...others, [locale]: text };
  const key = fromKey(surface, state, locale);
  const { [key]: __, ...from } = wording.translatedFrom ?? {};
  const sourceText = before[source];
  const translatedFrom =
    text !== "" && locale !== source && sourceText !== undefined ? { ...from, [key]: sourceText } : from;
  const kept = Object.keys(texts).length > 0;
  const rest = { ...wording };
  delete rest.translatedFrom;
  if (surface === null) {
    delete rest[state];
    if (kept) rest[state] = texts;
  } else {
    const layer = { ...rest.on?.[surface] };
    delete layer[state];
    if (kept) layer[state] = texts;
    const on = { ...rest.on, [surface]: layer };
    if (Object.keys(layer).length === 0) delete on[surface];
    delete rest.on;
    if (Object.keys(on).length > 0) rest.on = on;
  }
  return Object.keys(translatedFrom).length > 0 ? { ...rest, translatedFrom } : rest;
}

/** A text to be set, by its unit's id, with the source it was translated from where a file says so. */
export type IncomingText = {
  readonly unit: string;
  readonly locale: string;
  readonly text: string;
  readonly source?: string;
};

/**
 * Takes translated texts into a plan: all of them, or none with a line for each that cannot be taken. A text has to be an
 * ICU message with every placeholder of its source, and no others.
 *
 * @returns the entities that change
 */
export function withTexts(
  plan: Plan,
  incoming: readonly IncomingText[],
): { entities: Entity[] } | { problems: Problem[] } {
  const units = new Map(translationUnits(plan).map((unit) => [unit.id, unit]));
  const source = sourceLanguageOf(plan);
  const problems: Problem[] = [];
  const offers = new Map(plan.offers.map((offer) => [offer.id, offer]));
  let store = plan.store;
  const changed = new Set<string>();
  for (const { unit: id, locale, text, source: madeFrom } of incoming) {
    const unit = units.get(id);
    const path = `${id} (${locale})`;
    if (!unit) {
      problems.push({ path, message: phrase("the plan has no such text") });
      continue;
    }
    if (madeFrom !== undefined && madeFrom !== unit.texts[source]) {
      problems.push({ path, message: phrase("the source text has changed since the file was made") });
      continue;
    }
    const counts = offers.get(unit.offer ?? "")?.counts.kind ?? null;
    const unread = wordingProblems(text, stepVariableNames(unit.state), path);
    const wrong =
      unread.length > 0 ? unread : formattingProblems(text, locale, stepVariableKinds(unit.state, counts), path);
    problems.push(...wrong, ...lostPlaceholders(unit.texts[source] ?? "", text, path));
    if (wrong.length > 0 || unit.texts[locale] === text) continue;
    if (unit.offer === null) {
      store = { ...store, wording: withText(store.wording ?? {}, unit, locale, text, source) };
      changed.add(STORE_ID);
      continue;
    }
    const offer = offers.get(unit.offer);
    if (!offer) continue;
    const steps = offer.steps.map((step) =>
      step.id === unit.step ? { ...step, wording: withText(step.wording, unit, locale, text, source) } : step,
    );
    offers.set(offer.id, { ...offer, steps });
    changed.add(offer.id);
  }
  if (problems.length > 0) return { problems };
  return {
    entities: [
      ...(changed.has(STORE_ID) ? [{ kind: "store" as const, id: STORE_ID, body: store }] : []),
      ...[...offers.values()]
        .filter(({ id }) => changed.has(id))
        .map((body) => ({ kind: "offer" as const, id: body.id, body })),
    ],
  };
}

function lostPlaceholders(source: string, text: string, path: string): Problem[] {
  const [wanted, there] = [placeholdersOf(source), placeholdersOf(text)];
  if (!wanted || !there) return [];
  return [...wanted]
    .filter((name) => !there.has(name))
    .map((name) => ({ path, message: phrase("the placeholder '{'{name}'}' of the source is missing", { name }) }));
}
