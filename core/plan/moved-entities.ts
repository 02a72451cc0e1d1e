import { moved } from "../schema/positions.ts";
import { type Change, type Entity, type EntityKind, entitiesOf } from "./entities.ts";
import type { Plan } from "./plan.ts";

/** Kinds of things that stand in an order. */
export type OrderedKind = Exclude<EntityKind, "store" | "condition" | "rates">;

/**
 * What changes in a plan when one thing is put at another place among others of its kind, `to` counted from 0.
 *
 * @param among those that it is moved among; all of its kind unless given
 * @example movedEntities(plan, "offer", "free-post", 0) // the offer with a position before all others
 */
export function movedEntities(
  plan: Plan,
  kind: OrderedKind,
  id: string,
  to: number,
  among: (entity: Entity) => boolean = () => true,
): Change[] {
  const entities = entitiesOf(plan).filter((entity) => entity.kind === kind && among(entity));
  const placed = entities.flatMap(({ id: one, body }) =>
    "position" in body ? [{ id: one, position: body.position }] : [],
  );
  const positions = new Map(moved(placed, id, to).map((one) => [one.id, one.position]));
  return entities.flatMap((entity) => {
    const position = positions.get(entity.id);
    return position === undefined ? [] : [placedAt(entity, position)];
  });
}

function placedAt(entity: Entity, position: number): Change {
  switch (entity.kind) {
    case "market":
      return { ...entity, body: { ...entity.body, position } };
    case "zone":
      return { ...entity, body: { ...entity.body, position } };
    case "option":
      return { ...entity, body: { ...entity.body, position } };
    case "offer":
      return { ...entity, body: { ...entity.body, position } };
    case "notice":
      return { ...entity, body: { ...entity.body, position } };
    case "location":
      return { ...entity, body: { ...entity.body, position } };
    default:
      return entity;
  }
}
