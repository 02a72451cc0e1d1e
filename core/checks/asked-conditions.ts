import type { Condition } from "../conditions/condition.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import type { Plan } from "../plan/plan.ts";
import { type StatedCondition, visitConditions } from "../plan/visit-conditions.ts";
import type { Finding } from "./finding.ts";

/** A condition that is asked, with the zones it is asked in and what to call it. */
export type AskedCondition = {
  readonly condition: Condition;
  readonly zones: readonly string[];
  readonly at: Finding["at"];
  readonly whose: Phrase;
};

/** Every condition of what is on in a plan. */
export const askedConditions = (plan: Plan): AskedCondition[] =>
  visitConditions(plan).flatMap((stated) => {
    const { condition, entity, path } = stated;
    const zones = zonesOf(plan, entity);
    return zones
      ? [{ condition, zones, at: { kind: entity.kind, id: entity.id, path }, whose: whoseWords(stated) }]
      : [];
  });

/** Where an entity is asked about; undefined while it is off. */
function zonesOf(plan: Plan, { kind, body }: StatedCondition["entity"]): readonly string[] | undefined {
  switch (kind) {
    case "offer":
      return body.on ? body.zones : undefined;
    case "notice":
      return body.on ? (body.zones.length > 0 ? body.zones : plan.zones.map(({ id }) => id)) : undefined;
    case "option":
      return body.on === false ? undefined : body.zones;
    default:
      return plan.zones.map(({ id }) => id);
  }
}

function whoseWords({ entity, of }: StatedCondition): Phrase {
  const name = nameOf(entity);
  switch (of.part) {
    case "whole":
      return entity.kind === "condition"
        ? phrase("The saved condition {name}", { name })
        : phrase("The condition of {name}", { name });
    case "surcharge":
      return phrase("The condition of the surcharge “{surcharge}” on {name}", { surcharge: of.name.en ?? of.id, name });
    case "case":
      return phrase("Case {number} of {name}", { number: of.index + 1, name });
  }
}

function nameOf({ kind, id, body }: StatedCondition["entity"]): string {
  if (kind === "option") return body.name.en ?? id;
  return "name" in body && typeof body.name === "string" ? `“${body.name}”` : id;
}
