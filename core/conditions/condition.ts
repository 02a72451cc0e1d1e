import { type Static, type TSchema, Type } from "@sinclair/typebox";
import type { AmountContext, AmountReferences } from "../money/amount.ts";
import { closed, Id } from "../plan/atoms.ts";
import type { Problem } from "../plan/problem.ts";
import { code } from "./cart/code.ts";
import { goods } from "./cart/goods.ts";
import { items } from "./cart/items.ts";
import { value } from "./cart/value.ts";
import type { AnyKind, CompiledCondition, ConditionContext, RegisteredDefinition } from "./definition.ts";
import { between } from "./moment/between.ts";
import { channel } from "./moment/channel.ts";
import { currency } from "./moment/currency.ts";
import { hours } from "./moment/hours.ts";
import { language } from "./moment/language.ts";
import { weekdays } from "./moment/weekdays.ts";
import { country } from "./place/country.ts";
import { postcode } from "./place/postcode.ts";
import { region } from "./place/region.ts";
import { business } from "./shopper/business.ts";
import { group } from "./shopper/group.ts";
import { named } from "./shopper/named.ts";
import { notOrderedFor } from "./shopper/not-ordered-for.ts";
import { orders } from "./shopper/orders.ts";
import { signedIn } from "./shopper/signed-in.ts";
import { allOf, anyOf, not } from "./truth.ts";

/** Every kind of condition. A new kind is a file of its own and its name in this list. */
const KINDS = [
  signedIn,
  named,
  group,
  orders,
  notOrderedFor,
  business,
  country,
  region,
  postcode,
  value,
  items,
  goods,
  code,
  between,
  weekdays,
  hours,
  channel,
  currency,
  language,
] as const;

export const DEFINITIONS: readonly RegisteredDefinition[] = KINDS;

type Leaf = Static<(typeof KINDS)[number]["schema"]>;

/** A statement about shopper, place, cart or moment; all, any and not to any depth; saved ones by their id. */
export type Condition =
  | Leaf
  | { kind: "all"; of: Condition[] }
  | { kind: "any"; of: Condition[] }
  | { kind: "not"; of: Condition }
  | { kind: "saved"; id: string };

const CONDITION_ID = "Condition";

/** Stands for the schema of conditions wherever one may be written; {@link ConditionSchema} has to be known to Ajv. */
export const ConditionRef = Type.Unsafe<Condition>({ $ref: CONDITION_ID });

const list = Type.Array(ConditionRef, { minItems: 1, maxItems: 200 });

export const ConditionSchema: TSchema = Type.Unsafe<Condition>({
  $id: CONDITION_ID,
  type: "object",
  required: ["kind"],
  discriminator: { propertyName: "kind" },
  oneOf: [
    ...KINDS.map(({ schema }) => schema),
    Type.Object({ kind: Type.Literal("all"), of: list }, closed),
    Type.Object({ kind: Type.Literal("any"), of: list }, closed),
    Type.Object({ kind: Type.Literal("not"), of: ConditionRef }, closed),
    Type.Object({ kind: Type.Literal("saved"), id: Id }, closed),
  ],
});

/** A condition kept under a name, to be used in many places. */
export const SavedCondition = Type.Object(
  { id: Id, name: Type.String({ minLength: 1, maxLength: 100 }), when: ConditionRef },
  { ...closed, title: "SavedCondition" },
);
export type SavedCondition = Static<typeof SavedCondition>;

export type Saved = ReadonlyMap<string, SavedCondition>;

/** Compiles a condition whose saved ones exist and go in no circle. */
export function compileCondition(condition: Condition, context: ConditionContext, saved: Saved): CompiledCondition {
  switch (condition.kind) {
    case "all":
    case "any": {
      const parts = condition.of.map((part) => compileCondition(part, context, saved));
      const combine = condition.kind === "all" ? allOf : anyOf;
      return {
        test: (situation) => combine(parts.map((part) => part.test(situation))),
        thresholds: parts.flatMap((part) => part.thresholds),
        seesLines: parts.some((part) => part.seesLines),
      };
    }
    case "not": {
      const part = compileCondition(condition.of, context, saved);
      return { ...part, test: (situation) => not(part.test(situation)) };
    }
    case "saved": {
      const found = saved.get(condition.id);
      if (!found) throw new RangeError(`there is no saved condition "${condition.id}"`);
      return compileCondition(found.when, context, saved);
    }
    default:
      return ask(condition, (definition) => definition.compile(condition, context));
  }
}

/** A condition as a clause, in English for the people who make it. @example "the shopper is in trade and not (…)" */
export function conditionWords(condition: Condition, context: AmountContext, saved: Saved): string {
  const inner = (part: Condition) => {
    const words = conditionWords(part, context, saved);
    return (part.kind === "all" || part.kind === "any") && part.of.length > 1 ? `(${words})` : words;
  };
  switch (condition.kind) {
    case "all":
      return condition.of.map(inner).join(" and ");
    case "any":
      return condition.of.map(inner).join(" or ");
    case "not":
      return `it is not so that ${inner(condition.of)}`;
    case "saved":
      return saved.get(condition.id)?.name ?? condition.id;
    default:
      return ask(condition, (definition) => definition.words(condition, context));
  }
}

function ask<T>(condition: AnyKind, question: (definition: RegisteredDefinition) => T | undefined): T {
  for (const definition of DEFINITIONS) {
    const answer = question(definition);
    if (answer !== undefined) return answer;
  }
  throw new RangeError(`there is no kind of condition "${condition.kind}"`);
}

/** Problems of a condition: what its kinds find, and saved conditions that do not exist. */
export function conditionProblems(
  condition: Condition,
  path: string,
  references: AmountReferences,
  saved: Saved,
): Problem[] {
  switch (condition.kind) {
    case "all":
    case "any":
      return condition.of.flatMap((part, i) => conditionProblems(part, `${path}/of/${i}`, references, saved));
    case "not":
      return conditionProblems(condition.of, `${path}/of`, references, saved);
    case "saved":
      return saved.has(condition.id)
        ? []
        : [{ path: `${path}/id`, message: `there is no saved condition "${condition.id}"` }];
    default:
      return DEFINITIONS.flatMap((definition) => definition.problems(condition, path, references));
  }
}

/** Saved conditions that lead back to themselves. */
export function circleProblems(conditions: readonly SavedCondition[]): Problem[] {
  const saved: Saved = new Map(conditions.map((one) => [one.id, one]));
  const leadsTo = (condition: Condition, target: string, seen: ReadonlySet<string>): boolean => {
    switch (condition.kind) {
      case "all":
      case "any":
        return condition.of.some((part) => leadsTo(part, target, seen));
      case "not":
        return leadsTo(condition.of, target, seen);
      case "saved": {
        if (condition.id === target) return true;
        const next = saved.get(condition.id);
        return (
          !seen.has(condition.id) && next !== undefined && leadsTo(next.when, target, new Set([...seen, condition.id]))
        );
      }
      default:
        return false;
    }
  };
  return conditions.flatMap(({ id, when }, i) =>
    leadsTo(when, id, new Set()) ? [{ path: `/conditions/${i}/when`, message: `"${id}" leads back to itself` }] : [],
  );
}
