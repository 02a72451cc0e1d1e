import jsonLogic from "json-logic-js";
import { Engine, type NestedCondition, type TopLevelCondition } from "json-rules-engine";
import { readCart } from "../../core/cart/read-cart.ts";
import type { Condition } from "../../core/conditions/condition.ts";
import { compileSpec, counted, type Measure } from "../../core/measures/measure.ts";
import { measureKey } from "../../core/measures/measure-spec.ts";
import { whole } from "../../core/money/rational.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { inJsonLogic } from "../../core/tests/json-logic.ts";

/**
 * The plan's conditions alone, put to other engines on the same cart. What they would have to count is counted for them
 * beforehand, and their rules are made once.
 */
export function peersOf(plan: Plan, request: QuoteRequest) {
  const measures: Measure[] = [];
  const keys: string[] = [];
  const amounts = { zone: null, market: "de", currency: "EUR", rates: new Map() };
  const context = {
    ...amounts,
    timeZone: "Europe/Paris",
    measureNumber: (...[spec, scope]: Parameters<Parameters<typeof inJsonLogic>[1]["measureNumber"]>) => {
      const key = spec.kind === "lines" ? "lines" : measureKey(spec, scope);
      if (!keys.includes(key)) {
        keys.push(key);
        measures.push(compileSpec(spec, scope, true, whole(0), amounts));
      }
      return keys.indexOf(key);
    },
  };
  const conditions = (plan.conditions ?? []).map(({ when }) => when);
  const rules = conditions.map((when) => inJsonLogic(when, context));
  const cart = readCart(request.cart, "/cart");
  if ("problems" in cart) throw new Error(JSON.stringify(cart.problems));
  const { shopper } = request;
  const data = {
    signedIn: shopper?.signedIn ?? false,
    business: shopper?.business ?? false,
    groups: shopper?.groups ?? [],
    orders: shopper?.orderCount ?? 0,
    codes: request.cart.codes ?? [],
    lines: request.cart.lines,
    tags: request.cart.lines.flatMap(({ tags }) => tags ?? []),
    postcode: request.destination.postcode ?? "",
    counted: measures.map((measure) => counted(measure, cart, new Map())),
  };
  const engine = new Engine(
    conditions.map((when, i) => ({
      conditions: forRulesEngine(when, context.measureNumber),
      event: { type: `c${i}` },
    })),
  );
  engine.addOperator<string, string>("beginsWith", (text, start) => text.startsWith(start));
  const facts = { ...data, ...Object.fromEntries(data.counted.map((count, i) => [`counted${i}`, count])) };
  return {
    jsonLogic: () => rules.map((rule) => Boolean(jsonLogic.apply(rule, data))),
    rulesEngine: async () => {
      const { results, failureResults } = await engine.run(facts);
      const held = new Set(results.map(({ event }) => event?.type));
      if (results.length + failureResults.length !== conditions.length) throw new Error("some condition was not tried");
      return conditions.map((_, i) => held.has(`c${i}`));
    },
  };
}

type MeasureNumber = Parameters<typeof inJsonLogic>[1]["measureNumber"];

const OPERATORS = {
  "at-least": "greaterThanInclusive",
  "more-than": "greaterThan",
  "at-most": "lessThanInclusive",
  "less-than": "lessThan",
  exactly: "equal",
} as const;

function forRulesEngine(condition: Condition, measureNumber: MeasureNumber): TopLevelCondition {
  const clause = (one: Condition): NestedCondition => {
    switch (one.kind) {
      case "signed-in":
        return { fact: "signedIn", operator: "equal", value: true };
      case "business":
        return { fact: "business", operator: "equal", value: true };
      case "group":
        return { any: one.groups.map((value) => ({ fact: "groups", operator: "contains", value })) };
      case "goods": {
        const clauses = one.of.map((value) => ({ fact: "tags", operator: "contains", value }));
        return one.how === "none" ? { not: { any: clauses } } : { any: clauses };
      }
      case "postcode":
        return { fact: "postcode", operator: "beginsWith", value: "9" };
      case "code":
        return { any: one.codes.map((value) => ({ fact: "codes", operator: "contains", value })) };
      case "orders":
        return { fact: "orders", operator: OPERATORS[one.is], value: one.count };
      case "items":
        return {
          fact: `counted${measureNumber({ kind: "items" }, "all")}`,
          operator: OPERATORS[one.is],
          value: one.count,
        };
      case "value":
        return {
          fact: `counted${measureNumber({ kind: "value", basis: one.basis }, "all")}`,
          operator: OPERATORS[one.is],
          value: Math.round(Number(one.amount.byCurrency?.EUR) * 100),
        };
      case "weight":
        return {
          fact: `counted${measureNumber({ kind: "weight" }, "shipped")}`,
          operator: OPERATORS[one.is],
          value: Number(one.weight.value) * 1000,
        };
      default:
        throw new Error(`the fixture does not make ${one.kind}`);
    }
  };
  if (condition.kind === "all") return { all: condition.of.map(clause) };
  if (condition.kind === "any") return { any: condition.of.map(clause) };
  throw new Error("the fixture's conditions are all or any of three clauses");
}
