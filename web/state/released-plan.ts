import { entityKey, planOf } from "../../core/plan/entities.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { Draft } from "../../server/draft/read-draft.ts";

/** The plan that shops are answered by, from what the draft has changed since; null before the first release. */
export function releasedPlan({ entities, changes }: Pick<Draft, "entities" | "changes">): Plan | null {
  const changed = new Map(changes.map((change) => [entityKey(change), change.released]));
  const kept = entities.filter((entity) => !changed.has(entityKey(entity)));
  return planOf([...kept, ...[...changed.values()].flatMap((entity) => entity ?? [])]);
}
