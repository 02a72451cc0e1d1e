import type { AmountContext } from "../money/amount.ts";
import { closed, Id } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, type TSchema, Type } from "../schema/type.ts";
import type { Situation } from "../situation/situation.ts";
import { allOf, anyOf, not, type Truth } from "../situation/truth.ts";
import type { Actual, AnyKind, ConditionContext, ConditionReferences, RegisteredDefinition } from "./definition.ts";
import { between } from "./kinds/between.ts";
import { billing } from "./kinds/billing.ts";
import { business } from "./kinds/business.ts";
import { channel } from "./kinds/channel.ts";
import { code } from "./kinds/code.ts";
import { country } from "./kinds/country.ts";
import { currency } from "./kinds/currency.ts";
import { distance } from "./kinds/distance.ts";
import { goods } from "./kinds/goods.ts";
import { group } from "./kinds/group.ts";
import { hours } from "./kinds/hours.ts";
import { items } from "./kinds/items.ts";
import { language } from "./kinds/language.ts";
import { line } from "./kinds/line.ts";
import { lines } from "./kinds/lines.ts";
import { monthDays } from "./kinds/month-days.ts";
import { named } from "./kinds/named.ts";
import { notOrderedFor } from "./kinds/not-ordered-for.ts";
import { orders } from "./kinds/orders.ts";
import { postcode } from "./kinds/postcode.ts";
import { region } from "./kinds/region.ts";
import { signedIn } from "./kinds/signed-in.ts";
import { totalSpent } from "./kinds/total-spent.ts";
import { trait } from "./kinds/trait.ts";
import { value } from "./kinds/value.ts";
import { weekdays } from "./kinds/weekdays.ts";
import { weight } from "./kinds/weight.ts";

/** Every kind of condition. A new kind is a file of its own and its name in this list. */
const KINDS = [
  signedIn,
  named,
  group,
  orders,
  notOrderedFor,
  totalSpent,
  business,
  country,
  region,
  postcode,
  distance,
  billing,
  value,
  items,
  lines,
  weight,
  goods,
  trait,
  line,
  code,
  between,
  weekdays,
  monthDays,
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

export const CONDITION_ID = "Condition";

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

/** Why a condition holds, fails or cannot be told: the whole tree, each leaf with what was found there. */
export type Trace = {
  readonly truth: Truth;
  readonly condition: Condition;
  readonly actual?: Actual;
  readonly of?: readonly Trace[];
};

/** A condition ready to be tested, fast or with its reasons. Both look at the same leaves. */
export type CompiledCondition = {
  readonly test: (situation: Situation) => Truth;
  /** @param shown saved conditions taken apart already: each is once, so that no account grows beyond what is stated */
  readonly explain: (situation: Situation, shown?: Set<string>) => Trace;
  readonly seesLineFigures: boolean;
};

/** Compiles one condition; see {@link conditionCompiler}. */
export const compileCondition = (condition: Condition, context: ConditionContext, saved: Saved): CompiledCondition =>
  conditionCompiler(context, saved)(condition);

/**
 * Compiles conditions for one place and currency, whose saved ones exist and go in no circle. A saved condition is compiled once,
 * however often it is named, and asked once of each situation.
 */
export function conditionCompiler(
  context: ConditionContext,
  saved: Saved,
): (condition: Condition) => CompiledCondition {
  const compiled = new Map<string, CompiledCondition>();
  const compile = (condition: Condition): CompiledCondition => {
    switch (condition.kind) {
      case "all":
      case "any": {
        const parts = condition.of.map(compile);
        const tests = parts.map(({ test }) => test);
        const [combine, settling] = condition.kind === "all" ? ([allOf, false] as const) : ([anyOf, true] as const);
        return {
          test: (situation) => {
            let result: Truth = !settling;
            for (const test of tests) {
              const truth = test(situation);
              if (truth === settling) return settling;
              if (truth === null) result = null;
            }
            return result;
          },
          explain: (situation, shown = new Set()) => {
            const of = parts.map((part) => part.explain(situation, shown));
            return { truth: combine(of.map(({ truth }) => truth)), condition, of };
          },
          seesLineFigures: parts.some((part) => part.seesLineFigures),
        };
      }
      case "not": {
        const part = compile(condition.of);
        return {
          test: (situation) => not(part.test(situation)),
          explain: (situation, shown = new Set()) => {
            const inner = part.explain(situation, shown);
            return { truth: not(inner.truth), condition, of: [inner] };
          },
          seesLineFigures: part.seesLineFigures,
        };
      }
      case "saved": {
        const part = compileSaved(condition.id);
        return {
          ...part,
          explain: (situation, shown = new Set()) => {
            if (shown.has(condition.id)) return { truth: part.test(situation), condition };
            shown.add(condition.id);
            const inner = part.explain(situation, shown);
            return { truth: inner.truth, condition, of: [inner] };
          },
        };
      }
      default: {
        const { test, actual, seesLineFigures } = ask(condition, (one) => one.compile(condition, context));
        return {
          test,
          explain: (situation) => ({ truth: test(situation), condition, actual: actual(situation) }),
          seesLineFigures,
        };
      }
    }
  };
  const compileSaved = (id: string): CompiledCondition => {
    const before = compiled.get(id);
    if (before) return before;
    const found = saved.get(id);
    if (!found) throw new RangeError(`there is no saved condition "${id}"`);
    const part = compile(found.when);
    const once = { ...part, test: oncePerSituation(part.test) };
    compiled.set(id, once);
    return once;
  };
  return compile;
}

/** Remembers the answer for the situation asked about last: decisions tell their horizon when they are made first. */
function oncePerSituation(test: CompiledCondition["test"]): CompiledCondition["test"] {
  let last: Situation | undefined;
  let truth: Truth = null;
  return (situation) => {
    if (situation !== last) {
      truth = test(situation);
      last = situation;
    }
    return truth;
  };
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
  references: ConditionReferences,
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
    leadsBack(id) ? [{ path: `/conditions/${i}/when`, message: `"${id}" leads back to itself` }] : [],
  );
}

/** The saved conditions that a condition names itself. */
function savedNamed(condition: Condition): Set<string> {
  const found = new Set<string>();
  const open = [condition];
  for (let one = open.pop(); one !== undefined; one = open.pop()) {
    if (one.kind === "all" || one.kind === "any") open.push(...one.of);
    else if (one.kind === "not") open.push(one.of);
    else if (one.kind === "saved") found.add(one.id);
  }
  return found;
}
