import * as fc from "fast-check";
import type { Charge } from "../charges/charge.ts";
import { exponentOf } from "../money/currency.ts";
import { majorUnits } from "../money/decimal.ts";
import type { Plan } from "../plan/plan.ts";
import { anyCase, type Case } from "./arbitrary.ts";

/** What {@link anyCase} never draws: its cases are those whose former answers are kept, so that it stays as it is. */
type Seldom = {
  /** Rewards are on the share of goods that cost so much a piece, in minor units. */
  readonly price: { readonly from?: number; readonly upTo?: number };
  readonly lessOne: boolean;
  /** What is charged by weight is charged by this. */
  readonly weight: "weight" | "volumetric-weight" | "chargeable-weight";
  /** Millimetres along each side of a piece, line by line. */
  readonly sides: readonly number[];
};

const seldom = (span: number): fc.Arbitrary<Seldom> =>
  fc.record({
    price: fc.record({ from: fc.nat(span), upTo: fc.nat(span) }, { requiredKeys: [] }),
    lessOne: fc.boolean(),
    weight: fc.constantFrom("weight", "volumetric-weight", "chargeable-weight"),
    sides: fc.array(fc.integer({ min: 1, max: 250 }), { minLength: 4, maxLength: 4 }),
  });

/** A plan and a request with what is seldom in them. */
export const seldomCase = (span: number): fc.Arbitrary<Case> =>
  fc.tuple(anyCase(span), seldom(span)).map(([{ plan, request }, drawn]) => ({
    plan: withSeldom(plan, request.currency, drawn),
    request: {
      ...request,
      cart: {
        ...request.cart,
        lines: request.cart.lines.map((line, i) => ({ ...line, size: cube(drawn.sides[i] ?? 1) })),
      },
    },
  }));

const cube = (side: number) => ({
  length: String(side),
  width: String(side),
  height: String(side),
  unit: "mm" as const,
});

function withSeldom(plan: Plan, currency: string, { price, lessOne, weight }: Seldom): Plan {
  const amount = (minor: number) => ({ byCurrency: { [currency]: majorUnits(minor, exponentOf(currency) ?? 2) } });
  const each = {
    ...(price.from === undefined ? {} : { from: amount(price.from) }),
    ...(price.upTo === undefined ? {} : { upTo: amount(price.upTo) }),
  };
  return {
    ...plan,
    options: plan.options.map((option) => ({
      ...option,
      charge: byWeight(option.charge, weight),
      ...(option.rounding
        ? {
            rounding: Object.fromEntries(
              Object.entries(option.rounding).map(([code, rounding]) => [code, { ...rounding, lessOne }]),
            ),
          }
        : {}),
    })),
    offers: plan.offers.map((offer) => ({
      ...offer,
      steps: offer.steps.map((step) =>
        "options" in step.reward && step.reward.kind !== "option-price"
          ? { ...step, reward: { ...step.reward, goods: { ...step.reward.goods, price: each } } }
          : step,
      ),
    })),
  };
}

function byWeight(charge: Charge, kind: Seldom["weight"]): Charge {
  return charge.kind === "bands" && charge.by.kind === "weight" && kind !== "weight"
    ? { ...charge, by: { kind, ...(charge.by.roundUpTo ? { roundUpTo: charge.by.roundUpTo } : {}) } }
    : charge;
}
