import * as fc from "fast-check";
import type { Charge } from "../charges/charge.ts";
import type { Condition } from "../conditions/condition.ts";
import type { DeliveryOption } from "../delivery/option.ts";
import type { Basis } from "../measures/basis.ts";
import type { LeavesOut } from "../measures/goods-filter.ts";
import type { LadderMark, Mark, MeasureSpec } from "../measures/measure-spec.ts";
import type { OnlyGoods } from "../measures/only-goods.ts";
import type { Amount } from "../money/amount.ts";
import { majorIn } from "../money/decimal.ts";
import type { Offer } from "../offers/offer.ts";
import type { Trigger } from "../offers/trigger.ts";
import type { Plan } from "../plan/plan.ts";
import type { CarrierAnswer, Cart, CartLine, QuoteRequest, Shopper } from "../request/request.ts";
import type { Reward } from "../rewards/reward.ts";

/** A random plan of one zone with a random request to it. Amounts are drawn in minor units. */
export type Case = { plan: Plan; request: QuoteRequest };

const CURRENCIES = ["JPY", "EUR", "KWD"] as const;
const OPTIONS = ["standard", "express", "courier"] as const;
const OFFERS = ["first", "second", "third"] as const;
const CODES: string[] = ["INKLOVE"];
const NO_GIFT_CARDS: LeavesOut = { tags: ["gift-card"] };

/** Every fourth time some goods alone: by category, by tag, used ones. */
const onlyGoods: fc.Arbitrary<{ only?: OnlyGoods }> = fc.oneof(
  { weight: 3, arbitrary: fc.constant({}) },
  {
    weight: 1,
    arbitrary: fc
      .constantFrom<OnlyGoods>(
        { categories: ["notebooks"] },
        { tags: ["paper"], condition: "new" },
        { condition: "used" },
        { categories: ["notebooks"], skus: ["goods"] },
      )
      .map((only) => ({ only })),
  },
);

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
    codes: side,
    leavesOut: fc.constant(NO_GIFT_CARDS),
  },
  { requiredKeys: ["lineDiscounts", "orderDiscounts", "tax"] },
);

/** Every fifth amount has a figure of the zone's own, and another that is nobody's there. */
const amountIn = (currency: string, largest: number): fc.Arbitrary<Amount> => {
  const figure = fc.integer({ min: 0, max: largest }).map((minor) => typed(minor, currency));
  const own = fc
    .tuple(figure, figure)
    .map(([shared, apart]): Amount => ({ ...shared, byZone: { zone: apart.byCurrency ?? {} } }));
  return fc.oneof({ weight: 4, arbitrary: figure }, { weight: 1, arbitrary: own });
};

function typed(minor: number, currency: string): Amount {
  return { byCurrency: { [currency]: majorIn(minor, currency) } };
}

const edge = fc.constantFrom("from", "above");
const grams = (value: number) => ({ value: String(value), unit: "g" }) as const;

/** A measure with a way to draw marks on its scale, about as far as carts of `span` reach. */
type Scale = { by: MeasureSpec; mark: fc.Arbitrary<Mark> };

const scale = (currency: string, span: number): fc.Arbitrary<Scale> =>
  fc.oneof(
    {
      weight: 3,
      arbitrary: basis.map(
        (one): Scale => ({
          by: { kind: "value", basis: one },
          mark: amountIn(currency, span),
        }),
      ),
    },
    {
      weight: 1,
      arbitrary: fc.constant<Scale>({ by: { kind: "items" }, mark: fc.nat(8).map((items) => ({ items })) }),
    },
    {
      weight: 1,
      arbitrary: fc.constant<Scale>({
        by: { kind: "weight" },
        mark: fc.integer({ min: 0, max: 30 }).map((n) => ({ weight: grams(n * 100) })),
      }),
    },
    {
      weight: 1,
      arbitrary: fc.constant<Scale>({
        by: { kind: "weight", packing: grams(150), roundUpTo: grams(500) },
        mark: fc.integer({ min: 0, max: 30 }).map((n) => ({ weight: grams(n * 100) })),
      }),
    },
  );

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
  return fc.oneof({ weight: 5, arbitrary: plain }, { weight: 1, arbitrary: list });
};

const plainCharge = (currency: string, span: number): fc.Arbitrary<Charge> => {
  const price = amountIn(currency, 1500);
  return fc.oneof(
    { weight: 3, arbitrary: price.map((amount): Charge => ({ kind: "flat", amount })) },
    { weight: 1, arbitrary: amountIn(currency, 200).map((amount): Charge => ({ kind: "per-item", amount })) },
    {
      weight: 1,
      arbitrary: fc.record({
        kind: fc.constant("parcel-classes"),
        take: fc.constantFrom("sum", "highest"),
        classes: fc.record({ bulky: price }),
        others: price,
      }),
    },
    { weight: 3, arbitrary: scale(currency, span).chain((drawn) => bands(currency, drawn)) },
    {
      weight: 1,
      arbitrary: fc.record(
        {
          kind: fc.constant("carrier"),
          carrier: fc.constant("any"),
          service: fc.constantFrom("parcel", "this-parcel"),
          fallback: price.map((amount): Charge => ({ kind: "flat", amount })),
        },
        { requiredKeys: ["kind", "carrier", "service"] },
      ),
    },
  );
};

/** What carriers answered: one for any parcel, one for the cart's own parcel only. */
const answers = (lines: readonly CartLine[]): fc.Arbitrary<CarrierAnswer[]> => {
  const reply = fc.oneof(
    { weight: 3, arbitrary: fc.nat(1500).map((price) => ({ price })) },
    { weight: 1, arbitrary: fc.constantFrom("slow", "failed", "not-served").map((problem) => ({ problem })) },
  );
  const weight = lines
    .filter(({ delivery }) => !delivery)
    .reduce((sum, line) => sum + 1000 * line.quantity * Number(line.weight?.value ?? 0), 0);
  return fc.tuple(reply, reply).map(([any, own]) => [
    { carrier: "any", service: "parcel", ...any },
    { carrier: "any", service: "this-parcel", weight, ...own },
  ]);
};

const bands = (currency: string, { by, mark }: Scale): fc.Arbitrary<Charge> => {
  const price = amountIn(currency, 1500);
  const bandPrice = fc.oneof(
    { weight: 5, arbitrary: price },
    { weight: 1, arbitrary: fc.constantFrom("free", "not-offered") },
    {
      weight: 1,
      arbitrary: fc.record({
        fixed: price,
        each: by.kind === "value" ? fc.constant(typed(250, currency)) : mark.filter((one) => !isNothing(one)),
        more: amountIn(currency, 100),
      }),
    },
  );
  return fc
    .tuple(
      price,
      fc.uniqueArray(mark, { maxLength: 3, comparator: meet }),
      fc.array(fc.tuple(edge, bandPrice), { minLength: 3, maxLength: 3 }),
      fc.constantFrom("from", "above"),
    )
    .map(
      ([first, starts, rest, owner]): Charge => ({
        kind: "bands",
        by,
        first,
        // One kind of edge in a charge, so that no two of them can start at the same count.
        edges: starts.map((at, i) => ({ edge: owner, at, price: rest[i]?.[1] ?? "free" })),
      }),
    );
};

/** Whether two marks are the same in the zone, or in the others: no two bands may start there. */
const meet = (one: Mark, other: Mark): boolean => {
  const others = figuresOf(other);
  return figuresOf(one).some((figure, i) => figure === others[i]);
};
const figuresOf = (mark: Mark): string[] =>
  ("byCurrency" in mark ? [mark.byZone?.zone ?? mark.byCurrency, mark.byCurrency] : [mark]).map((one) =>
    JSON.stringify(one),
  );

const isNothing = (mark: Mark) => JSON.stringify(mark).includes('"items":0') || JSON.stringify(mark).includes('"0"');

const reward = (currency: string): fc.Arbitrary<Reward> => {
  const amount = amountIn(currency, 800);
  const onDelivery = fc
    .record(
      {
        options: fc.subarray<string>([...OPTIONS], { minLength: 1 }),
        limit: amountIn(currency, 6000),
        covers: fc.record({ handling: fc.boolean(), surcharges: fc.boolean(), ownCharges: fc.boolean() }),
      },
      { requiredKeys: ["options", "covers"] },
    )
    .chain((whole) => onlyGoods.map(({ only }) => [whole, only ? { ...whole, goods: only } : whole] as const))
    .chain(([whole, common]) =>
      fc.oneof(
        { weight: 3, arbitrary: fc.constant<Reward>({ kind: "free", ...common }) },
        { weight: 2, arbitrary: amount.map((price): Reward => ({ kind: "flat-price", ...common, amount: price })) },
        { weight: 2, arbitrary: percentText.map((off): Reward => ({ kind: "percent-off", ...common, percent: off })) },
        { weight: 2, arbitrary: amount.map((off): Reward => ({ kind: "money-off", ...common, amount: off })) },
        { weight: 1, arbitrary: amount.map((upTo): Reward => ({ kind: "allowance", ...common, amount: upTo })) },
        {
          weight: 1,
          arbitrary: fc.constantFrom(...OPTIONS).map((of): Reward => ({ kind: "option-price", ...whole, of })),
        },
      ),
    );
  const onOrder = fc.oneof(
    fc.constant<Reward>({ kind: "gift", sku: "bookmark", quantity: 1 }),
    percentText.map((percent): Reward => ({ kind: "order-percent-off", percent })),
    percentText.map((percent): Reward => ({ kind: "order-percent-off", percent, leavesOut: NO_GIFT_CARDS })),
    amount.map((off): Reward => ({ kind: "order-money-off", amount: off })),
  );
  return fc.oneof({ weight: 5, arbitrary: onDelivery }, { weight: 1, arbitrary: onOrder });
};

const trigger = (goalAt: fc.Arbitrary<LadderMark>): fc.Arbitrary<Trigger> => {
  const goal = fc.record({ at: goalAt, edge });
  const codes = fc.constant(CODES);
  return fc.oneof(
    { weight: 12, arbitrary: fc.record({ kind: fc.constant("goal"), goal }) },
    { weight: 1, arbitrary: fc.record({ kind: fc.constant("code"), codes }) },
    { weight: 1, arbitrary: fc.record({ kind: fc.constant("goal-or-code"), goal, codes }) },
    { weight: 1, arbitrary: fc.record({ kind: fc.constant("goal-and-code"), goal, codes }) },
    { weight: 1, arbitrary: fc.constant<Trigger>({ kind: "nothing" }) },
  );
};

type Ladder = { counts: Offer["counts"]; mark: fc.Arbitrary<LadderMark> };

const ladder = (currency: string, span: number): fc.Arbitrary<Ladder> =>
  fc.oneof(
    {
      weight: 4,
      arbitrary: fc
        .tuple(basis, onlyGoods)
        .map(
          ([one, only]): Ladder => ({ counts: { kind: "value", basis: one, ...only }, mark: amountIn(currency, span) }),
        ),
    },
    {
      weight: 1,
      arbitrary: fc
        .tuple(onlyGoods, fc.option(fc.tuple(fc.nat(300), fc.nat(2000)), { freq: 3, nil: undefined }))
        .map(([{ only }, ends]): Ladder => {
          const each = ends && { price: { from: typed(ends[0], currency), upTo: typed(ends[0] + ends[1], currency) } };
          const counts: Offer["counts"] =
            only || each ? { kind: "items", only: { ...only, ...each } } : { kind: "items" };
          return { counts, mark: fc.nat(9).map((items) => ({ items })) };
        }),
    },
    {
      weight: 1,
      arbitrary: onlyGoods.map(
        (only): Ladder => ({
          counts: { kind: "weight", leavesOut: NO_GIFT_CARDS, ...only },
          mark: fc.nat(3000).map((n) => ({ weight: grams(n) })),
        }),
      ),
    },
  );

const offer = (currency: string, span: number, id: string, position: number): fc.Arbitrary<Offer> =>
  ladder(currency, span).chain(({ counts, mark }) =>
    fc
      .tuple(
        fc.array(fc.tuple(trigger(mark), reward(currency)), { minLength: 1, maxLength: 2 }),
        fc.oneof(
          { weight: 2, arbitrary: fc.constant({}) },
          { weight: 2, arbitrary: fc.constant({ stacking: { kind: "any" as const } }) },
          {
            weight: 1,
            arbitrary: fc
              .subarray([...OFFERS], { minLength: 1 })
              .map((offers) => ({ stacking: { kind: "with" as const, offers } })),
          },
        ),
        fc.option(
          fc.constantFrom({ overall: 5 }, { perShopper: 1 }, { perShopper: 1, guests: "every-time" as const }),
          {
            freq: 6,
          },
        ),
      )
      .map(([steps, stacking, limits]) => ({
        id,
        position,
        name: id,
        on: true,
        zones: ["zone"],
        counts,
        ...stacking,
        ...(limits === null ? {} : { limits }),
        steps: steps.map(([stepTrigger, stepReward], i) => ({
          id: `step-${i}`,
          position: i,
          trigger: stepTrigger,
          reward: stepReward,
          wording: {},
        })),
      })),
  );

const cart = (span: number): fc.Arbitrary<Cart> => {
  const unitPrice = fc.integer({ min: 0, max: Math.ceil(span / 4) });
  const delivery: fc.Arbitrary<NonNullable<CartLine["delivery"]>> = fc.oneof(
    fc.constantFrom({ kind: "ships-free" as const }, { kind: "nothing-to-ship" as const }),
    fc.record({
      kind: fc.constant("own-charge"),
      amount: fc.nat(500),
      per: fc.constantFrom("piece", "line"),
    }),
  );
  const line = fc
    .record(
      {
        quantity: fc.integer({ min: 1, max: 3 }),
        unitPrice,
        discounted: fc.integer({ min: 0, max: 100 }),
        taxRate: taxText,
        tags: fc.constantFrom<string[]>(["gift-card"], ["paper"]),
        categories: fc.constantFrom<string[]>(["notebooks"], ["ink"]),
        used: fc.boolean(),
        grams: fc.option(fc.nat(900), { freq: 12 }),
        delivery: fc.option(delivery, { freq: 2 }),
        parcelClass: fc.constant("bulky"),
      },
      { requiredKeys: ["quantity", "unitPrice", "grams"] },
    )
    .map(
      ({ discounted, grams: each, delivery: own, ...rest }): CartLine => ({
        sku: "goods",
        ...rest,
        ...(each === null ? {} : { weight: grams(each) }),
        ...(own ? { delivery: own } : {}),
        ...(discounted === undefined
          ? {}
          : { discount: Math.floor((rest.unitPrice * rest.quantity * discounted) / 100) }),
      }),
    );
  const discount = fc.oneof(
    fc.record(
      { amount: fc.integer({ min: 0, max: Math.ceil(span / 5) }), code: fc.constant("WELCOME") },
      { requiredKeys: ["amount"] },
    ),
    fc.record({ percent: percentText, code: fc.constant("WELCOME") }, { requiredKeys: ["percent"] }),
  );
  return fc.record(
    {
      lines: fc.array(line, { maxLength: 4 }),
      discounts: fc.array(discount, { maxLength: 2 }),
      codes: fc.constant(CODES),
    },
    { requiredKeys: ["lines"] },
  );
};

/** A condition that some carts and shoppers of the generator meet and some do not; unknown history included. */
export const anyCondition = (currency: string, span: number): fc.Arbitrary<Condition> => {
  const is = fc.constantFrom("at-least", "more-than", "at-most", "less-than", "exactly");
  const names = fc.subarray(["gift-card", "paper", "ink"], { minLength: 1 });
  const how = fc.constantFrom("any", "none", "only");
  return fc.letrec<{ tree: Condition; leaf: Condition }>((tie) => ({
    leaf: fc.oneof(
      fc.constantFrom<Condition>({ kind: "signed-in" }, { kind: "business" }, { kind: "not-ordered-for", days: 30 }),
      fc.record({ kind: fc.constant("orders"), is, count: fc.nat(3) }),
      fc.record({ kind: fc.constant("value"), basis, is, amount: amountIn(currency, span) }),
      fc.record({ kind: fc.constant("items"), is, count: fc.nat(8) }),
      fc.record({ kind: fc.constant("lines"), is, count: fc.nat(5) }),
      fc.record({ kind: fc.constant("weight"), is, weight: fc.nat(3000).map(grams) }),
      fc.record({
        kind: fc.constant("goods"),
        by: fc.constant("tags"),
        how: fc.constantFrom("any", "none", "only", "all"),
        of: names,
      }),
      fc.record({
        kind: fc.constant("trait"),
        how,
        trait: fc.constantFrom("ships-free", "reduced", "nothing-to-ship"),
      }),
      fc.record({
        kind: fc.constant("line"),
        how,
        figure: fc.oneof(
          fc.record({ kind: fc.constant("quantity"), is, count: fc.nat(3) }),
          fc.record({ kind: fc.constant("price"), is, amount: amountIn(currency, Math.ceil(span / 2)) }),
        ),
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
    id: fc.constant("s-1"),
    signedIn: fc.boolean(),
    business: fc.boolean(),
    orderCount: fc.nat(4),
    lastOrderAt: fc.constantFrom("2026-11-20T00:00:00Z", "2026-01-01T00:00:00Z"),
    groups: fc.constantFrom<string[]>(["trade"], []),
  },
  { requiredKeys: [] },
);

const options = (currency: string, span: number): fc.Arbitrary<DeliveryOption[]> => {
  const handling = fc.record(
    { fixed: amountIn(currency, 100), percentOfCharge: percentText, percentOfGoods: fc.constantFrom("0", "1", "2.5") },
    { requiredKeys: [] },
  );
  const extras = fc.record(
    {
      base: amountIn(currency, 300),
      markUp: fc.record({ percent: fc.constantFrom("5", "12.5") }),
      minimum: amountIn(currency, 400),
      maximum: amountIn(currency, 1600).map((amount) => amount),
      entered: fc.constantFrom("with-tax", "without-tax"),
      handling,
      surcharges: fc.tuple(
        fc.record({
          id: fc.constant("far"),
          position: fc.constant(1),
          name: fc.constant({ en: "Far" }),
          when: fc.constant<Condition>({ kind: "postcode", country: "PT", patterns: ["9*"] }),
          charge: amountIn(currency, 300).map((amount): Charge => ({ kind: "flat", amount })),
        }),
      ),
      rounding: fc.constantFrom("nearest", "up", "down").map((direction) => ({
        [currency]: { step: majorIn(50, currency), direction },
      })),
    },
    { requiredKeys: [] },
  );
  const one = (id: string, position: number) =>
    fc
      .tuple(
        charge(currency, span),
        fc.oneof({ weight: 2, arbitrary: fc.constant({}) }, { weight: 1, arbitrary: extras }),
      )
      .map(
        ([drawn, more]): DeliveryOption => ({
          id,
          position,
          name: { en: id },
          zones: ["zone"],
          charge: drawn,
          ...more,
        }),
      );
  const [a, b, c] = OPTIONS;
  return fc.oneof(
    { weight: 3, arbitrary: fc.tuple(one(a, 1), one(b, 2)) },
    { weight: 1, arbitrary: fc.tuple(one(a, 1), one(b, 2), one(c, 3)) },
  );
};

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
 * Every third case has conditions, and a shopper of whom not everything is known.
 * @param span how far goals reach, in minor units; carts stay of the same size
 */
export function anyCase(span: number): fc.Arbitrary<Case> {
  return fc.constantFrom(...CURRENCIES).chain((currency) => {
    const maybe = fc.option(anyCondition(currency, span), { freq: 2 });
    return fc.oneof(
      { weight: 2, arbitrary: plainCase(currency, span) },
      {
        weight: 1,
        arbitrary: fc
          .tuple(plainCase(currency, span), fc.tuple(maybe, maybe, maybe, maybe), anyShopper)
          .map((drawn) => withConditions(...drawn)),
      },
    );
  });
}

function plainCase(currency: (typeof CURRENCIES)[number], span: number): fc.Arbitrary<Case> {
  const [first, second, third] = OFFERS.map((id, i) => offer(currency, span, id, i));
  if (!first || !second || !third) throw new Error("three offers are named");
  return fc
    .record({
      pricesIncludeTax: fc.boolean(),
      standardTaxRate: taxText,
      options: options(currency, span),
      offers: fc.oneof(
        { weight: 4, arbitrary: fc.tuple(first) },
        { weight: 2, arbitrary: fc.tuple(first, second) },
        { weight: 1, arbitrary: fc.tuple(first, second, third) },
      ),
      goods: cart(span).chain((drawn) => fc.record({ cart: fc.constant(drawn), carriers: answers(drawn.lines) })),
    })
    .map(({ pricesIncludeTax, standardTaxRate, options: drawn, offers, goods }) => {
      const known = new Set(drawn.map(({ id }) => id));
      const ids = new Set<string>(offers.map(({ id }) => id));
      return {
        plan: {
          format: 2,
          store: { name: "Any", chosenAtFirst: { rule: "cheapest" } },
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
          options: drawn,
          offers: offers.map((one) => withKnown(one, known, ids)),
        },
        request: {
          at: "2026-11-28T10:00:00Z",
          currency,
          destination: { country: "PT", postcode: "9000-001" },
          shopper: { id: "s-1" },
          ...goods,
        },
      };
    });
}

/** An offer that names only options and offers that were drawn. */
function withKnown(one: Offer, options: ReadonlySet<string>, offers: ReadonlySet<string>): Offer {
  const { stacking, ...rest } = one;
  const company = stacking?.kind === "with" ? stacking.offers.filter((id) => offers.has(id)) : [];
  return {
    ...rest,
    ...(stacking && stacking.kind !== "with" ? { stacking } : {}),
    ...(company.length > 0 ? { stacking: { kind: "with", offers: company } } : {}),
    steps: one.steps.map((step) => {
      const { reward: given } = step;
      if (!("options" in given)) return step;
      const kept = given.options.filter((id) => options.has(id));
      const named = { ...given, options: kept.length > 0 ? kept : ["standard"] };
      return { ...step, reward: "of" in named && !options.has(named.of) ? { ...named, of: "standard" } : named };
    }),
  };
}
