import { ChargeSchema } from "../charges/charge.ts";
import { ConditionSchema } from "../conditions/condition.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import { ENTITY_KINDS, entityKinds } from "../plan/entities.ts";
import { isRecord } from "../schema/is-record.ts";
import { wordsOfKey } from "../schema/key-words.ts";

/** The one or several names that a schema allows; none where it allows others too. */
function namesOf(schema: unknown): string[] {
  if (!isRecord(schema)) return [];
  if (typeof schema.const === "string") return [schema.const];
  const { anyOf } = schema;
  const each = Array.isArray(anyOf) ? anyOf.map(namesOf) : [];
  return each.every((names) => names.length > 0) ? each.flat() : [];
}

/**
 * What can be chosen for each setting of a plan, by the setting's key.
 *
 * @example choicesIn([ENTITY_KINDS.offer.schema]).get("edge") // Set { "from", "above" }
 */
export function choicesIn(schemas: readonly unknown[]): ReadonlyMap<string, ReadonlySet<string>> {
  const found = new Map<string, Set<string>>();
  const visit = (schema: unknown): void => {
    if (Array.isArray(schema)) schema.forEach(visit);
    if (!isRecord(schema)) return;
    if (isRecord(schema.properties))
      for (const [key, own] of Object.entries(schema.properties)) {
        const names = namesOf(isRecord(own) && isRecord(own.items) ? own.items : own);
        if (names.length > 0) found.set(key, new Set([...(found.get(key) ?? []), ...names]));
      }
    Object.values(schema).forEach(visit);
  };
  schemas.forEach(visit);
  return found;
}

/** Every schema of what a plan is made of. */
export const planSchemas = (): unknown[] => [
  ...entityKinds().map((kind) => ENTITY_KINDS[kind].schema),
  ChargeSchema,
  ConditionSchema,
];

let choices: ReadonlyMap<string, ReadonlySet<string>> | null = null;

/** What was chosen, in words; undefined where people write what they like. @example chosenWords("is", "at-least") // "at least" */
export function chosenWords(key: string, chosen: string): Phrase | undefined {
  choices ??= choicesIn(planSchemas());
  return choices.get(key)?.has(chosen) ? phrase(wordsOfKey(chosen)) : undefined;
}
