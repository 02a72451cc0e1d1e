import { measuredFigure } from "../measures/measure-spec.ts";
import type { AmountContext } from "../money/amount.ts";
import { writtenMoney } from "../money/format.ts";
import { asWritten, joined, type Phrase, type PhraseValue, phrase } from "../phrases/phrase.ts";
import { type Condition, type SavedConditions, shapeOf } from "./condition.ts";
import type { Actual } from "./definition.ts";
import { all } from "./kinds/all.ts";
import { any } from "./kinds/any.ts";
import { GUEST } from "./kinds/named.ts";
import { not } from "./kinds/not.ts";
import { conditionKind } from "./registry.ts";

const JOINTS = { every: all.joint, some: any.joint } as const;

/** A condition as a clause. @example "the shopper is in trade and not (…)" */
export function conditionWords(condition: Condition, context: AmountContext, saved: SavedConditions): Phrase {
  const shape = shapeOf(condition);
  const inner = (part: Condition): Phrase => {
    const words = conditionWords(part, context, saved);
    const of = shapeOf(part);
    return "parts" in of && of.parts.length > 1 ? phrase("({words})", { words }) : words;
  };
  switch (shape.role) {
    case "every":
    case "some":
      return joined(shape.parts.map(inner), JOINTS[shape.role]);
    case "negation":
      return not.turns(inner(shape.part));
    case "reference":
      return asWritten(saved.get(shape.id)?.name ?? shape.id);
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
export function actualWords(
  condition: Condition,
  actual: Actual | undefined,
  currency: string,
): PhraseValue | undefined {
  if (actual === undefined || actual === null || typeof actual === "boolean") return undefined;
  const shape = shapeOf(condition);
  const found = shape.role === "plain" ? conditionKind(shape.condition).found : "words";
  if (typeof actual === "string") return found === "message" || actual === GUEST ? phrase(actual) : actual;
  if (typeof actual !== "number") return actual.length === 0 ? phrase("nothing") : actual.join(", ");
  switch (found) {
    case "words":
    case "message":
      return String(actual);
    case "money":
      return writtenMoney(actual, currency);
    case "weight":
    case "distance":
      return measuredFigure(found, actual, currency);
  }
}
