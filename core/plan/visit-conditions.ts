import { chargeConditions } from "../charges/charge.ts";
import type { Condition } from "../conditions/condition.ts";
import { type Entity, entitiesOf } from "./entities.ts";
import type { Plan } from "./plan.ts";
import { chargesIn } from "./visit-charges.ts";

/** A condition where it stands in an entity, and the entity with another in its place. */
export type StatedCondition = {
  readonly condition: Condition;
  readonly entity: Entity;
  /** Within the entity, as a JSON pointer. */
  readonly path: string;
  /** What asks it: the entity as a whole, or a part of it. */
  readonly of: StatedFor;
  readonly replace: (condition: Condition) => Entity;
};

export type StatedFor =
  | { readonly part: "whole" }
  | { readonly part: "surcharge"; readonly id: string; readonly name: Readonly<Record<string, string>> }
  /** An entry of a conditional charge, counted from 0. */
  | { readonly part: "case"; readonly index: number };

/** Every condition that a plan states, wherever it stands; those within conditions and charges are visited with them. */
export const visitConditions = (plan: Plan): StatedCondition[] => entitiesOf(plan).flatMap(conditionsOf);

/** The one place that knows where conditions stand: those of one entity. */
export function conditionsOf(entity: Entity): StatedCondition[] {
  switch (entity.kind) {
    case "condition": {
      const { body } = entity;
      return [whole(entity, body.when, (when) => ({ ...entity, body: { ...body, when } }))];
    }
    case "notice": {
      const { body } = entity;
      return body.when ? [whole(entity, body.when, (when) => ({ ...entity, body: { ...body, when } }))] : [];
    }
    case "offer": {
      const { body } = entity;
      return body.when ? [whole(entity, body.when, (when) => ({ ...entity, body: { ...body, when } }))] : [];
    }
    case "option":
      return optionConditions(entity);
    default:
      return [];
  }
}

const whole = (entity: Entity, condition: Condition, replace: StatedCondition["replace"]): StatedCondition => ({
  condition,
  entity,
  path: "/when",
  of: { part: "whole" },
  replace,
});

function optionConditions(entity: Extract<Entity, { kind: "option" }>): StatedCondition[] {
  const { body } = entity;
  const { surcharges = [] } = body;
  return [
    ...(body.when ? [whole(entity, body.when, (when) => ({ ...entity, body: { ...body, when } }))] : []),
    ...surcharges.flatMap(({ when, id, name }, i): StatedCondition[] =>
      when
        ? [
            {
              condition: when,
              entity,
              path: `/surcharges/${i}/when`,
              of: { part: "surcharge", id, name },
              replace: (next) => ({
                ...entity,
                body: { ...body, surcharges: surcharges.map((one, j) => (j === i ? { ...one, when: next } : one)) },
              }),
            },
          ]
        : [],
    ),
    ...chargesIn(body).flatMap(({ charge, path, replace }) =>
      chargeConditions(charge).map(
        (asked): StatedCondition => ({
          condition: asked.condition,
          entity,
          path: `${path}${asked.path}`,
          of: { part: "case", index: asked.index },
          replace: (next) => ({ ...entity, body: replace(asked.replace(next)) }),
        }),
      ),
    ),
  ];
}
