import { Type } from "@sinclair/typebox";
import { type Condition, ConditionRef } from "../conditions/condition.ts";
import type { CompiledCondition } from "../conditions/definition.ts";
import type { Situation } from "../conditions/facts.ts";
import type { Truth } from "../conditions/truth.ts";
import { byRank, closed, Position } from "../plan/atoms.ts";
import type { Charge } from "./charge.ts";
import type { ChargeContext, Charged, CompiledCharge, NoPrice } from "./charged.ts";

export const CHARGE_ID = "Charge";

type Take = "first" | "sum" | "highest" | "lowest";

/**
 * Charges that apply under conditions: the first that does, their sum, the highest or the lowest. An entry without a
 * condition always applies. When none does, the option cannot be had.
 *
 * @example up to eight pieces cost 12, more cost 5:
 * { kind: "conditional", take: "first", entries: [
 *   { position: 1, when: { kind: "items", is: "more-than", count: 8 }, charge: { kind: "flat", amount: … } },
 *   { position: 2, charge: { kind: "flat", amount: … } } ] }
 */
export type ConditionalCharge = {
  kind: "conditional";
  take: Take;
  entries: { position: number; when?: Condition; charge: Charge }[];
};

export const ConditionalChargeSchema = Type.Unsafe<ConditionalCharge>(
  Type.Object(
    {
      kind: Type.Literal("conditional"),
      take: Type.Union((["first", "sum", "highest", "lowest"] as const).map((name) => Type.Literal(name))),
      entries: Type.Array(
        Type.Object(
          { position: Position, when: Type.Optional(ConditionRef), charge: Type.Unsafe({ $ref: CHARGE_ID }) },
          closed,
        ),
        { minItems: 1, maxItems: 200 },
      ),
    },
    { ...closed, title: "ConditionalCharge" },
  ),
);

type Entry = { readonly when: CompiledCondition | null; readonly charge: CompiledCharge };

export function compileConditional(
  { take, entries }: ConditionalCharge,
  context: ChargeContext,
  compile: (charge: Charge, context: ChargeContext) => CompiledCharge,
): CompiledCharge {
  const compiled = [...entries].sort(byRank).map(
    (entry): Entry => ({
      when: entry.when ? context.compileWhen(entry.when) : null,
      charge: compile(entry.charge, context),
    }),
  );
  const parts = compiled.flatMap(({ when, charge }) => (when ? [when, charge] : [charge]));
  return {
    price: (situation) => priceOf(compiled, take, situation),
    thresholds: parts.flatMap(({ thresholds }) => thresholds),
    seesLines: parts.some(({ seesLines }) => seesLines),
  };
}

function priceOf(entries: readonly Entry[], take: Take, situation: Situation): Charged {
  const found = entries.map(({ when, charge }) => ({
    applies: when ? when.test(situation) : true,
    price: () => charge.price(situation),
  }));
  // An unknown condition leaves open which entry it is: no price, or the least there could be when that is asked for.
  if (!situation.unknownAs) {
    const decided = take === "first" ? firstDecided(found) : found;
    if (decided.some(({ applies }) => applies === null)) return "condition-unknown";
    return combined(
      take,
      decided.filter(({ applies }) => applies).map(({ price }) => price()),
    );
  }
  return leastPossible(take, found);
}

type Found = { readonly applies: Truth; readonly price: () => Charged };

/** The entries up to the first that is not ruled out. */
function firstDecided(found: readonly Found[]): Found[] {
  const first = found.find(({ applies }) => applies !== false);
  return first ? [first] : [];
}

function combined(take: Take, prices: readonly Charged[]): Charged {
  const missing = prices.find((price): price is NoPrice => typeof price === "string");
  const numbers = prices.filter((price) => typeof price === "number");
  if (prices.length === 0) return "no-entry";
  if (take === "lowest") return numbers.length > 0 ? Math.min(...numbers) : (missing ?? "no-entry");
  if (missing) return missing;
  return take === "highest" ? Math.max(...numbers) : numbers.reduce((sum, price) => sum + price, 0);
}

/** No more than any way of settling what is unknown comes to. */
function leastPossible(take: Take, found: readonly Found[]): Charged {
  const certain = found.findIndex(({ applies }) => applies === true);
  const upTo = take === "first" && certain >= 0 ? found.slice(0, certain + 1) : found;
  const open = upTo.filter(({ applies }) => applies !== false);
  const sure = open.filter(({ applies }) => applies === true).map(({ price }) => price());
  if (take === "sum" || take === "highest") {
    if (sure.length > 0) return combined(take, sure);
  }
  return combined(
    "lowest",
    open.map(({ price }) => price()),
  );
}
