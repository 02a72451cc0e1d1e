import type { CompiledCondition } from "../../conditions/compile.ts";
import { type Condition, ConditionRef } from "../../conditions/condition.ts";
import { max, min, plus } from "../../money/linear-amount.ts";
import { joined, phrase } from "../../phrases/phrase.ts";
import { byRank, closed, Position } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import type { Situation } from "../../situation/situation.ts";
import type { Truth } from "../../situation/truth.ts";
import {
  type ChargeContext,
  type Charged,
  type ChargeTrace,
  type CompiledCharge,
  defineCharge,
  isMissing,
} from "../definition.ts";
import { type AnyCharge, InnerChargeRef } from "../reference.ts";

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
export interface ConditionalCharge<Inner extends AnyCharge = AnyCharge> {
  kind: "conditional";
  take: Take;
  entries: { position: number; when?: Condition; charge: Inner }[];
}

const ConditionalChargeSchema = Type.Unsafe<ConditionalCharge>(
  Type.Object(
    {
      kind: Type.Literal("conditional"),
      take: Type.Union((["first", "sum", "highest", "lowest"] as const).map((name) => Type.Literal(name))),
      entries: Type.Array(
        Type.Object({ position: Position, when: Type.Optional(ConditionRef), charge: InnerChargeRef }, closed),
        { minItems: 1, maxItems: 200 },
      ),
    },
    { ...closed, title: "ConditionalCharge" },
  ),
);

type Entry = { readonly when: CompiledCondition | null; readonly charge: CompiledCharge };

function compileConditional({ take, entries }: ConditionalCharge, context: ChargeContext): CompiledCharge {
  const compiled = [...entries].sort(byRank).map(
    (entry): Entry => ({
      when: entry.when ? context.compileWhen(entry.when) : null,
      charge: context.compileCharge(entry.charge),
    }),
  );
  return {
    price: (situation) => priceOf(compiled, take, situation),
    explain: (situation) => {
      const of = compiled.map(({ when, charge }): ChargeTrace => {
        const trace = charge.explain(situation);
        return when ? { ...trace, when: when.explain(situation) } : trace;
      });
      const first = of.findIndex(({ when }) => (when?.truth ?? true) !== false);
      return {
        kind: take,
        price: priceOf(compiled, take, situation),
        of,
        ...(take === "first" && first >= 0 ? { chosen: first } : {}),
      };
    },
    seesLineFigures: compiled.some(({ when, charge }) => when?.seesLineFigures === true || charge.seesLineFigures),
  };
}

type Found = { readonly applies: Truth; readonly price: () => Charged };

function priceOf(entries: readonly Entry[], take: Take, situation: Situation): Charged {
  if (take === "first" && !situation.unknownAs) {
    for (const { when, charge } of entries) {
      const applies = when ? when.test(situation) : true;
      if (applies === null) return "condition-unknown";
      if (applies) return charge.price(situation);
    }
    return "no-entry";
  }
  const found = entries.map(
    ({ when, charge }): Found => ({
      applies: when ? when.test(situation) : true,
      price: () => charge.price(situation),
    }),
  );
  if (situation.unknownAs) return leastPossible(take, found, situation);
  // An unknown condition leaves open which entries they are: no price.
  if (found.some(({ applies }) => applies === null)) return "condition-unknown";
  return combined(
    take,
    found.filter(({ applies }) => applies).map(({ price }) => price()),
    situation,
  );
}

/** The lowest of the prices there are. */
function lowestOf(prices: readonly Charged[], { horizon }: Situation): Charged {
  const [first, ...others] = prices.filter((price) => typeof price !== "string");
  return first === undefined
    ? (prices.find(isMissing) ?? "no-entry")
    : others.reduce((a, b) => min(a, b, horizon), first);
}

function combined(take: Take, prices: readonly Charged[], situation: Situation): Charged {
  const missing = prices.find((price) => isMissing(price) && !(take === "lowest" && isRuledOut(price)));
  if (missing !== undefined) return missing;
  if (take === "lowest") return lowestOf(prices, situation);
  const [first, ...others] = prices.filter((price) => typeof price !== "string");
  if (first === undefined) return "no-entry";
  return others.reduce((a, b) => (take === "highest" ? max(a, b, situation.horizon) : plus(a, b)), first);
}

/** An entry known not to be offered is no candidate for the lowest; one that cannot be told might be it. */
const RULED_OUT: ReadonlySet<Charged> = new Set(["not-offered", "no-entry", "carrier-not-served", "carrier-too-heavy"]);
const isRuledOut = (price: Charged) => RULED_OUT.has(price);

/** No more than any way of settling what is unknown comes to. */
function leastPossible(take: Take, found: readonly Found[], situation: Situation): Charged {
  const certain = found.findIndex(({ applies }) => applies === true);
  const upTo = take === "first" && certain >= 0 ? found.slice(0, certain + 1) : found;
  const open = upTo.filter(({ applies }) => applies !== false);
  const sure = open.filter(({ applies }) => applies === true).map(({ price }) => price());
  if (take === "sum" || take === "highest") {
    if (sure.length > 0) return combined(take, sure, situation);
  }
  const untold = take === "lowest" ? sure.find((price) => isMissing(price) && !isRuledOut(price)) : undefined;
  if (untold !== undefined) return untold;
  return lowestOf(
    open.map(({ price }) => price()),
    situation,
  );
}

const flatOf = (euros: string) => ({ kind: "flat", amount: { byCurrency: { EUR: euros } } });

const isExact = (text: string) => /^-?[0-9]/.test(text);

const TAKES = {
  first: phrase("the first"),
  sum: phrase("the sum"),
  highest: phrase("the highest"),
  lowest: phrase("the lowest"),
} as const;

export const conditional = defineCharge({
  kind: "conditional",
  schema: ConditionalChargeSchema,
  example: {
    kind: "conditional",
    take: "first",
    entries: [
      {
        position: 1,
        when: { kind: "items", is: "more-than", count: 8 },
        charge: flatOf("5.00"),
      },
      { position: 2, charge: flatOf("12.00") },
    ],
  },
  compile: compileConditional,
  // Conditions and charges within it have their own.
  problems: () => [],
  words: ({ take, entries }, { when, charge }) => {
    const list = joined(
      [...entries]
        .sort(byRank)
        .map((entry) =>
          entry.when
            ? phrase("if {when}: {charge}", { when: when(entry.when), charge: charge(entry.charge) })
            : phrase("otherwise {charge}", { charge: charge(entry.charge) }),
        ),
      "; ",
    );
    return take === "first" ? list : phrase("{take} of: {list}", { take: TAKES[take], list });
  },
  why: ({ take, entries }, { of, chosen }, { exactMoney, when }) => {
    const sorted = [...entries].sort(byRank);
    const told = (of ?? []).flatMap((entry, i) => {
      if (!sorted[i] || (take === "first" && chosen !== undefined && i > chosen)) return [];
      const price = isExact(entry.price) ? exactMoney(entry.price) : phrase("none");
      return [
        entry.when
          ? phrase("if {when}: {price}", { when: when(entry.when), price })
          : phrase("otherwise: {price}", { price }),
      ];
    });
    return phrase("{take} of a list ({told})", { take: TAKES[take], told: joined(told, "; ") });
  },
});
