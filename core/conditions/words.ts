import { measured } from "../measures/measure-spec.ts";
import type { AmountContext } from "../money/amount.ts";
import { makersMoney } from "../money/format.ts";
import { type Condition, type SavedConditions, shapeOf } from "./condition.ts";
import type { Actual } from "./definition.ts";
import { all } from "./kinds/all.ts";
import { any } from "./kinds/any.ts";
import { not } from "./kinds/not.ts";
import { conditionKind } from "./registry.ts";

const JOINTS = { every: all.joint, some: any.joint } as const;

/** A condition as a clause, in English for the people who make it. @example "the shopper is in trade and not (…)" */
export function conditionWords(condition: Condition, context: AmountContext, saved: SavedConditions): string {
  const shape = shapeOf(condition);
  const inner = (part: Condition) => {
    const words = conditionWords(part, context, saved);
    const of = shapeOf(part);
    return "parts" in of && of.parts.length > 1 ? `(${words})` : words;
  };
  switch (shape.role) {
    case "every":
    case "some":
      return shape.parts.map(inner).join(JOINTS[shape.role]);
    case "negation":
      return `${not.before}${inner(shape.part)}`;
    case "reference":
      return saved.get(shape.id)?.name ?? shape.id;
    case "plain":
      return conditionKind(shape.condition).words(shape.condition, context);
  }
}

/**
 * What was found where a condition looked, in words; nothing where yes, no or unknown has said it already.
 *
 * @param currency of amounts, which come in its minor units
 * @example actualWords({ kind: "weight", … }, 2_000_000, "EUR") // "2 kg"
 */
export function actualWords(condition: Condition, actual: Actual | undefined, currency: string): string | undefined {
  if (actual === undefined || actual === null || typeof actual === "boolean") return undefined;
  if (typeof actual !== "number")
    return typeof actual === "string" ? actual : actual.length === 0 ? "nothing" : actual.join(", ");
  const shape = shapeOf(condition);
  const found = shape.role === "plain" ? conditionKind(shape.condition).found : "words";
  switch (found) {
    case "words":
      return String(actual);
    case "money":
      return makersMoney(actual, currency);
    case "weight":
    case "distance":
      return measured(found, actual, currency, "en");
  }
}
