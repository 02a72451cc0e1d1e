import * as fc from "fast-check";
import type { Charge } from "../charges/charge.ts";
import type { Condition } from "../conditions/condition.ts";
import type { Basis } from "../measures/basis.ts";
import type { Amount } from "../money/amount.ts";
import { exponentOf } from "../money/currency.ts";
import { majorUnits } from "../money/decimal.ts";
import type { Offer } from "../offers/offer.ts";
import type { Reward } from "../offers/reward.ts";
import type { Plan } from "../plan/plan.ts";
import type { Cart, QuoteRequest, Shopper } from "../quote/request.ts";

/** A random plan of one zone with a random request to it. Amounts are drawn in minor units. */
export type Case = { plan: Plan; request: QuoteRequest };

const CURRENCIES = ["JPY", "EUR", "KWD"] as const;
const OPTIONS = ["standard", "express"] as const;

const percentText = fc.oneof(
  fc.integer({ min: 0, max: 100 }).map(String),
  fc.integer({ min: 1, max: 9999 }).map((n) => (n / 100).toFixed(2)),
);
const taxText = fc.constantFrom("0", "5", "6", "13", "20", "23", "8.875");
const side = fc.constantFrom("in", "out");

const basis: fc.Arbitrary<Basis> = fc.record(
  {
    lineDiscounts: side,
    orderDiscounts: fc.constantFrom("in", "in", "out"),
    tax: fc.constantFrom("with", "without"),
    leavesOut: fc.constant({ tags: ["gift-card"] }),
  },
  { requiredKeys: ["lineDiscounts", "orderDiscounts", "tax"] },
);

const amountIn = (currency: string, largest: number): fc.Arbitrary<Amount> =>
  fc.integer({ min: 0, max: largest }).map((minor) => typed(minor, currency));

function typed(minor: number, currency: string): Amount {
  return { byCurrency: { [currency]: majorUnits(minor, exponentOf(currency) ?? 2) } };
}

const edge = fc.constantFrom("from", "above");

/** A plain charge, or now and then a list of them under conditions. */
const charge = (currency: string, span: number): fc.Arbitrary<Charge> => {
  const plain = plainCharge(currency, span);
  const entry = fc.record(
    { position: fc.nat(9), when: anyCondition(currency, span), charge: plain },
    { requiredKeys: ["position", "charge"] },
  );
  const list = fc.record({
    kind: fc.constant("conditional"),
    take: fc.constantFrom("first", "sum", "highest", "lowest"),
    entries: fc.uniqueArray(entry, { minLength: 1, maxLength: 3, selector: ({ position }) => position }),
  });
  return fc.oneof({ weight: 4, arbitrary: plain }, { weight: 1, arbitrary: list });
};

const plainCharge = (currency: string, span: number): fc.Arbitrary<Charge> => {
  const price = amountIn(currency, 1500);
  return fc.oneof(
    price.map((amount): Charge => ({ kind: "flat", amount })),
    amountIn(currency, 200).map((amount): Charge => ({ kind: "per-item", amount })),
    fc
      .tuple(
        basis,
        price,
        fc.uniqueArray(fc.integer({ min: 0, max: Math.floor(span / 2) }), { minLength: 1, maxLength: 4 }),
        fc.array(fc.tuple(edge, fc.oneof({ weight: 5, arbitrary: price }, fc.constantFrom("free", "not-offered"))), {
          minLength: 4,
          maxLength: 4,
        }),
      )
      .map(
        ([bandBasis, first, starts, rest]): Charge => ({
          kind: "bands",
          basis: bandBasis,
          first,
          // Twice the drawn value leaves room for "above" between two edges.
          edges: starts.map((start, i) => {
            const [owner, bandPrice] = rest[i] ?? ["from", "free"];
            return { edge: owner, at: typed(2 * start, currency), price: bandPrice };
          }),
        }),
      ),
  );
};

const reward = (currency: string): fc.Arbitrary<Reward> => {
  const options = fc.subarray([...OPTIONS], { minLength: 1 });
  return fc.oneof(
    fc.record({ kind: fc.constant("free"), options }),
    fc.record({ kind: fc.constant("flat-price"), options, amount: amountIn(currency, 800) }),
    fc.record({ kind: fc.constant("percent-off"), options, percent: percentText }),
    fc.record({ kind: fc.constant("money-off"), options, amount: amountIn(currency, 800) }),
    fc.record({ kind: fc.constant("option-price"), options, of: fc.constantFrom(...OPTIONS) }),
  );
};

const offer = (currency: string, span: number, id: string, position: number): fc.Arbitrary<Offer> =>
  fc
    .tuple(
      basis,
      fc.array(fc.tuple(fc.integer({ min: 0, max: span }), edge, reward(currency)), { minLength: 1, maxLength: 3 }),
    )
    .map(([offerBasis, steps]) => ({
      id,
      position,
      name: id,
      on: true,
      zones: ["zone"],
      basis: offerBasis,
      steps: steps.map(([goal, owner, stepReward], i) => ({
        id: `step-${i}`,
        position: i,
        goal: { at: typed(goal, currency), edge: owner },
        reward: stepReward,
        wording: {},
      })),
    }));

const cart = (span: number): fc.Arbitrary<Cart> => {
  const unitPrice = fc.integer({ min: 0, max: Math.ceil(span / 4) });
  const line = fc
    .record(
      {
        quantity: fc.integer({ min: 1, max: 3 }),
        unitPrice,
        discounted: fc.integer({ min: 0, max: 100 }),
        taxRate: taxText,
        tags: fc.constantFrom<string[]>(["gift-card"], ["paper"]),
      },
      { requiredKeys: ["quantity", "unitPrice"] },
    )
    .map(({ discounted, ...rest }) => ({
      sku: "goods",
      ...rest,
      ...(discounted === undefined
        ? {}
        : { discount: Math.floor((rest.unitPrice * rest.quantity * discounted) / 100) }),
    }));
  const discount = fc.oneof(
    fc.integer({ min: 0, max: Math.ceil(span / 5) }).map((amount) => ({ amount })),
    percentText.map((percent) => ({ percent })),
  );
  return fc.record(
    { lines: fc.array(line, { maxLength: 4 }), discounts: fc.array(discount, { maxLength: 2 }) },
    {
      requiredKeys: ["lines"],
    },
  );
};

/** A condition that some carts and shoppers of the generator meet and some do not; unknown history included. */
export const anyCondition = (currency: string, span: number): fc.Arbitrary<Condition> => {
  const is = fc.constantFrom("at-least", "more-than", "at-most", "less-than", "exactly");
  const names = fc.subarray(["gift-card", "paper", "ink"], { minLength: 1 });
  return fc.letrec<{ tree: Condition; leaf: Condition }>((tie) => ({
    leaf: fc.oneof(
      fc.constantFrom<Condition>({ kind: "signed-in" }, { kind: "business" }, { kind: "not-ordered-for", days: 30 }),
      fc.record({ kind: fc.constant("orders"), is, count: fc.nat(3) }),
      fc.record({ kind: fc.constant("value"), basis, is, amount: amountIn(currency, span) }),
      fc.record({ kind: fc.constant("items"), is, count: fc.nat(8) }),
      fc.record({
        kind: fc.constant("goods"),
        by: fc.constant("tags"),
        how: fc.constantFrom("any", "none", "only", "all"),
        of: names,
      }),
      fc.constant<Condition>({ kind: "postcode", country: "PT", patterns: ["9*"] }),
      fc.constant<Condition>({ kind: "group", groups: ["trade"] }),
    ),
    tree: fc.oneof(
      { maxDepth: 3 },
      { weight: 3, arbitrary: tie("leaf") },
      {
        weight: 1,
        arbitrary: fc.record({
          kind: fc.constantFrom("all", "any"),
          of: fc.array(tie("tree"), { minLength: 1, maxLength: 3 }),
        }),
      },
      { weight: 1, arbitrary: tie("tree").map((of): Condition => ({ kind: "not", of })) },
    ),
  })).tree;
};

export const anyShopper: fc.Arbitrary<Shopper> = fc.record(
  {
    signedIn: fc.boolean(),
    business: fc.boolean(),
    orderCount: fc.nat(4),
    lastOrderAt: fc.constantFrom("2026-11-20T00:00:00Z", "2026-01-01T00:00:00Z"),
    groups: fc.constantFrom<string[]>(["trade"], []),
  },
  { requiredKeys: [] },
);

/** The case with conditions on some of its options and offers, and a shopper. */
function withConditions(drawn: Case, conditions: readonly (Condition | null)[], shopper: Shopper): Case {
  const [a, b, c, d] = conditions;
  const put = <T extends object>(entity: T, when: Condition | null | undefined): T =>
    when ? { ...entity, when } : entity;
  return {
    plan: {
      ...drawn.plan,
      options: drawn.plan.options.map((option, i) => put(option, i === 0 ? a : b)),
      offers: drawn.plan.offers.map((one, i) => put(one, i === 0 ? c : d)),
    },
    request: { ...drawn.request, shopper },
  };
}

/**
 * Every other case has conditions.
 * @param span how far goals reach, in minor units; carts stay of the same size
 */
export function anyCase(span: number): fc.Arbitrary<Case> {
  return fc.constantFrom(...CURRENCIES).chain((currency) => {
    const maybe = fc.option(anyCondition(currency, span), { freq: 2 });
    return fc.oneof(
      plainCase(currency, span),
      fc
        .tuple(plainCase(currency, span), fc.tuple(maybe, maybe, maybe, maybe), anyShopper)
        .map((drawn) => withConditions(...drawn)),
    );
  });
}

function plainCase(currency: (typeof CURRENCIES)[number], span: number): fc.Arbitrary<Case> {
  return fc
    .record({
      pricesIncludeTax: fc.boolean(),
      standardTaxRate: taxText,
      charges: fc.tuple(charge(currency, span), charge(currency, span)),
      offers: fc.oneof(
        offer(currency, span, "first", 1).map((only) => [only]),
        fc.tuple(offer(currency, span, "first", 1), offer(currency, span, "second", 2)),
      ),
      cart: cart(span),
    })
    .map(({ pricesIncludeTax, standardTaxRate, charges, offers, cart: goods }) => ({
      plan: {
        format: 1,
        store: { name: "Any", chosenAtFirst: "cheapest" },
        markets: [
          {
            id: "market",
            position: 1,
            name: "Market",
            currencies: [currency],
            languages: ["en"],
            timeZone: "UTC",
            pricesIncludeTax,
          },
        ],
        zones: [
          {
            id: "zone",
            position: 1,
            market: "market",
            name: "Zone",
            destinations: [{ country: "PT" }],
            standardTaxRate,
          },
        ],
        options: OPTIONS.map((id, i) => ({
          id,
          position: i,
          name: { en: id },
          zones: ["zone"],
          charge: charges[i] ?? charges[0],
        })),
        offers,
      },
      request: {
        at: "2026-11-28T10:00:00Z",
        currency,
        destination: { country: "PT", postcode: "9000-001" },
        cart: goods,
      },
    }));
}
