import { english } from "../phrases/speak.ts";
import { type Entity, type EntityKind, entitiesOf, entityAt, entityKey, planOf } from "./entities.ts";
import type { Plan } from "./plan.ts";
import { planProblems } from "./problems/plan-problems.ts";

/**
 * The things of a plan that would be wrong if one were removed: those that name it, by the very rules that a plan is refused by.
 *
 * @example usersOf(plan, "location", "porto") // the store that ships from there, the option that is collected there
 */
export function usersOf(plan: Plan, kind: EntityKind, id: string): Entity[] {
  const without = planOf(entitiesOf(plan).filter((entity) => entity.kind !== kind || entity.id !== id));
  if (!without) return [];
  const known = new Set(faultsOf(plan).map(({ words }) => words));
  const users = faultsOf(without).filter(({ words }) => !known.has(words));
  return [...new Map(users.map(({ entity }) => [entityKey(entity), entity])).values()];
}

/** What is wrong with a plan, by the thing it is in; in words that stay when things before it go. */
const faultsOf = (plan: Plan): { entity: Entity; words: string }[] =>
  planProblems(plan).flatMap(({ path, message }) => {
    const found = entityAt(plan, path);
    return found
      ? [{ entity: found.entity, words: `${entityKey(found.entity)}${found.rest} ${english(message)}` }]
      : [];
  });
