import { phrase } from "../phrases/phrase.ts";
import type { Problem } from "../schema/problem.ts";
import { type Condition, type SavedCondition, type SavedConditions, shapeOf } from "./condition.ts";
import type { ConditionReferences } from "./definition.ts";
import { conditionKind } from "./registry.ts";
import { savedNamed, visitCondition } from "./visit.ts";

/** Problems of a condition: what its kinds find, and saved conditions that do not exist. */
export const conditionProblems = (
  condition: Condition,
  path: string,
  references: ConditionReferences,
  saved: Pick<SavedConditions, "has">,
): Problem[] =>
  [...visitCondition(condition, path)].flatMap(({ condition: part, path: at }) => {
    const shape = shapeOf(part);
    if (shape.role === "plain") return conditionKind(shape.condition).problems(shape.condition, at, references);
    return shape.role === "reference" && !saved.has(shape.id)
      ? [{ path: `${at}/id`, message: phrase('there is no saved condition "{id}"', { id: shape.id }) }]
      : [];
  });

/** Saved conditions that lead back to themselves. */
export function circleProblems(conditions: readonly SavedCondition[]): Problem[] {
  const names = new Map(conditions.map(({ id, when }) => [id, savedNamed(when)]));
  const leadsBack = (start: string): boolean => {
    const seen = new Set<string>();
    const open = [...(names.get(start) ?? [])];
    for (let id = open.pop(); id !== undefined; id = open.pop()) {
      if (id === start) return true;
      if (seen.has(id)) continue;
      seen.add(id);
      open.push(...(names.get(id) ?? []));
    }
    return false;
  };
  return conditions.flatMap(({ id }, i) =>
    leadsBack(id) ? [{ path: `/conditions/${i}/when`, message: phrase('"{id}" leads back to itself', { id }) }] : [],
  );
}
