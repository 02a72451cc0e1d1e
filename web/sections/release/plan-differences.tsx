import type { Market } from "../../../core/places/market.ts";
import { type Change, type Entity, entitiesOf, entityKey } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { EntityChange } from "./entity-change.tsx";

export type Difference = {
  readonly change: Change;
  readonly before: Entity | null;
  readonly after: Entity | null;
};

/** What would make one plan of another. @example differencesBetween(entitiesOf(draft), entitiesOf(release)) */
export function differencesBetween(was: readonly Entity[], now: readonly Entity[]): Difference[] {
  const before = new Map(was.map((entity) => [entityKey(entity), entity]));
  const after = new Map(now.map((entity) => [entityKey(entity), entity]));
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((key): Difference[] => {
    const [old, fresh] = [before.get(key) ?? null, after.get(key) ?? null];
    if (fresh)
      return JSON.stringify(old?.body) === JSON.stringify(fresh.body)
        ? []
        : [{ change: { ...fresh }, before: old, after: fresh }];
    return old ? [{ change: { kind: old.kind, id: old.id, body: null }, before: old, after: null }] : [];
  });
}

export const plansDiffer = (was: Plan, now: Plan): Difference[] => differencesBetween(entitiesOf(was), entitiesOf(now));

type Props = {
  differences: readonly Difference[];
  was: Plan;
  now: Plan;
  market: Market | null;
  currency: string;
};

/** Two plans compared, thing by thing. */
export const PlanDifferences = ({ differences, was, now, market, currency }: Props) => (
  <ul className="space-y-3">
    {differences.map(({ change, before, after }) => (
      <EntityChange
        key={entityKey(change)}
        kind={change.kind}
        before={before}
        after={after}
        plan={now}
        former={was}
        market={market ?? now.markets[0] ?? null}
        currency={currency}
      />
    ))}
  </ul>
);
