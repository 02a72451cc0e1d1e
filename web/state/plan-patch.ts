import { type Change, type Entity, entitiesOf, entityKey, planOf } from "../../core/plan/entities.ts";
import type { Plan } from "../../core/plan/plan.ts";

/** A plan for whoever holds an earlier one: all of it at first, then what has changed. */
export type PlanPatch = { readonly whole: Plan } | { readonly changes: readonly Change[] };

/**
 * What turns one plan into another. Things are told apart by identity: one that was not edited is the very same object.
 *
 * @example patchBetween(null, plan) // { whole: plan }
 */
export function patchBetween(held: Plan | null, next: Plan): PlanPatch {
  if (!held) return { whole: next };
  const before = byKey(held);
  const after = byKey(next);
  const changed = [...after].filter(([key, { body }]) => before.get(key)?.body !== body).map(([, entity]) => entity);
  const removed = [...before].filter(([key]) => !after.has(key)).map(([, { kind, id }]) => ({ kind, id, body: null }));
  return { changes: [...changed, ...removed] };
}

/** The plan that a patch leads to; the order of its lists means nothing. @throws Error for changes to a plan nobody holds */
export function patched(held: Plan | null, patch: PlanPatch): Plan {
  if ("whole" in patch) return patch.whole;
  if (!held) throw new Error("there is no plan to be changed");
  const entities = byKey(held);
  for (const change of patch.changes) {
    if (change.body === null) entities.delete(entityKey(change));
    else entities.set(entityKey(change), change);
  }
  const plan = planOf([...entities.values()]);
  if (!plan) throw new Error("the plan lost its store");
  return plan;
}

/**
 * Says what each worker has to be sent, so that it holds the newest plan: nothing of what it holds already.
 *
 * @example const patchFor = planSender(); await remote.hold(patchFor(remote, plan))
 */
export function planSender(): (to: object, plan: Plan) => PlanPatch {
  let sent: { readonly to: object; readonly plan: Plan } | null = null;
  return (to, plan) => {
    const patch = patchBetween(sent?.to === to ? sent.plan : null, plan);
    sent = { to, plan };
    return patch;
  };
}

const byKey = (plan: Plan) => new Map<string, Entity>(entitiesOf(plan).map((entity) => [entityKey(entity), entity]));
