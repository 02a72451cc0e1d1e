import type { RulesLogic } from "json-logic-js";
import type { Condition } from "../conditions/condition.ts";
import type { ConditionContext } from "../conditions/definition.ts";

/**
 * A condition in JSON Logic. Its data: `signedIn`, `business`, `groups`, `orders`, `daysSinceOrder`, `postcode`, `codes`,
 * `lines` with their tags, and `counted` by number of measure.
 *
 * @throws on kinds the generators do not make
 */
export function inJsonLogic(condition: Condition, context: ConditionContext): RulesLogic {
  const operators = { "at-least": ">=", "more-than": ">", "at-most": "<=", "less-than": "<", exactly: "===" } as const;
  const compare = (is: keyof typeof operators, name: string, to: number): RulesLogic => {
    const sides: [RulesLogic, number] = [{ var: name }, to];
    switch (is) {
      case "at-least":
        return { ">=": sides };
      case "more-than":
        return { ">": sides };
      case "at-most":
        return { "<=": sides };
      case "less-than":
        return { "<": sides };
      case "exactly":
        return { "===": sides };
    }
  };
  const tagged = (line: string, of: readonly string[]): RulesLogic => ({
    or: of.map((name): RulesLogic => ({ in: [name, { var: line }] })),
  });
  // JSON Logic's `all` of nothing is false; an empty cart holds nothing else.
  const quantified = (how: "any" | "none" | "only", rule: RulesLogic): RulesLogic => {
    if (how === "only") return { or: [{ "!": [{ var: "lines" }] }, { all: [{ var: "lines" }, rule] }] };
    const some: RulesLogic = { some: [{ var: "lines" }, rule] };
    return how === "any" ? some : { "!": [some] };
  };
  switch (condition.kind) {
    case "all":
      return { and: condition.of.map((part) => inJsonLogic(part, context)) };
    case "any":
      return { or: condition.of.map((part) => inJsonLogic(part, context)) };
    case "not":
      return { "!": [inJsonLogic(condition.of, context)] };
    case "signed-in":
      return { var: "signedIn" };
    case "business":
      return { var: "business" };
    case "group":
      return { or: condition.groups.map((group): RulesLogic => ({ in: [group, { var: "groups" }] })) };
    case "code":
      return { or: condition.codes.map((code): RulesLogic => ({ in: [code, { var: "codes" }] })) };
    case "not-ordered-for":
      return { ">=": [{ var: "daysSinceOrder" }, condition.days] };
    case "orders":
      return compare(condition.is, "orders", condition.count);
    case "lines":
      return compare(condition.is, `counted.${context.measureNumber({ kind: "lines" }, "all")}`, condition.count);
    case "weight": {
      const to = Number(condition.weight.value) * 1000;
      return compare(condition.is, `counted.${context.measureNumber({ kind: "weight" }, "shipped")}`, to);
    }
    case "trait": {
      // The test's lines are reduced or not; they have no charges of their own.
      const reduced: RulesLogic = condition.trait === "reduced" ? { var: "reduced" } : { "!": [true] };
      return quantified(condition.how, reduced);
    }
    case "line": {
      const { how, figure } = condition;
      if (figure.kind === "weight") throw new Error("the generator does not make weights of lines");
      const to = figure.kind === "quantity" ? figure.count : Math.round(Number(figure.amount.byCurrency?.EUR) * 100);
      return quantified(how, compare(figure.is, figure.kind === "quantity" ? "quantity" : "unitPrice", to));
    }
    case "items":
      return compare(condition.is, `counted.${context.measureNumber({ kind: "items" }, "all")}`, condition.count);
    case "value": {
      const to = Math.round(Number(condition.amount.byCurrency?.EUR) * 100);
      return compare(
        condition.is,
        `counted.${context.measureNumber({ kind: "value", basis: condition.basis }, "all")}`,
        to,
      );
    }
    case "postcode":
      return { "===": [{ substr: [{ var: "postcode" }, 0, 1] }, "9"] };
    case "goods": {
      const { how, of } = condition;
      if (how !== "all") return quantified(how, tagged("tags", of));
      return { and: of.map((name): RulesLogic => ({ some: [{ var: "lines" }, { in: [name, { var: "tags" }] }] })) };
    }
    default:
      throw new Error(`the generator does not make ${condition.kind}`);
  }
}
