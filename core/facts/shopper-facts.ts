import type { Static, TObject } from "../schema/type.ts";
import { type Asked, askedOf } from "./asked.ts";
import { billingCountry } from "./shopper/billing-country.ts";
import { billingPostcode } from "./shopper/billing-postcode.ts";
import { billingRegion } from "./shopper/billing-region.ts";
import { isBusiness } from "./shopper/business.ts";
import { daysSinceOpened } from "./shopper/days-since-opened.ts";
import { daysSinceOrder } from "./shopper/days-since-order.ts";
import { shopperGroups } from "./shopper/groups.ts";
import { shopperId } from "./shopper/id.ts";
import { orderCount } from "./shopper/order-count.ts";
import { isSignedIn } from "./shopper/signed-in.ts";
import { totalSpent } from "./shopper/total-spent.ts";

/** Every fact about the shopper. A new one is a file of its own and its name in the lists here. */
export const SHOPPER_FACTS = [
  shopperId,
  isSignedIn,
  shopperGroups,
  orderCount,
  daysSinceOrder,
  totalSpent,
  isBusiness,
  billingCountry,
  billingRegion,
  billingPostcode,
  daysSinceOpened,
] as const;

/** What a request may say of its shopper. */
export const SHOPPER_FIELDS = {
  ...shopperId.fields,
  ...isSignedIn.fields,
  ...shopperGroups.fields,
  ...orderCount.fields,
  ...daysSinceOrder.fields,
  ...totalSpent.fields,
  ...isBusiness.fields,
  ...billingCountry.fields,
  ...billingRegion.fields,
  ...billingPostcode.fields,
  ...daysSinceOpened.fields,
};

type Shopper = Static<TObject<typeof SHOPPER_FIELDS>>;

/** What a person on screen may say of a shopper. */
export const DESCRIBED_FIELDS = {
  ...shopperId.described.fields,
  ...isSignedIn.described.fields,
  ...shopperGroups.described.fields,
  ...orderCount.described.fields,
  ...daysSinceOrder.described.fields,
  ...totalSpent.described.fields,
  ...isBusiness.described.fields,
  ...billingCountry.described.fields,
  ...billingRegion.described.fields,
  ...billingPostcode.described.fields,
  ...daysSinceOpened.described.fields,
};
type Described = Static<TObject<typeof DESCRIBED_FIELDS>>;

/** A shopper of whom no more is said than that they are signed in. */
export const PLAIN_SHOPPER: Described = {
  ...shopperId.described.plain,
  ...isSignedIn.described.plain,
  ...shopperGroups.described.plain,
  ...orderCount.described.plain,
  ...daysSinceOrder.described.plain,
  ...totalSpent.described.plain,
  ...isBusiness.described.plain,
  ...billingCountry.described.plain,
  ...billingRegion.described.plain,
  ...billingPostcode.described.plain,
  ...daysSinceOpened.described.plain,
};

/** What a request says of a shopper as described. */
export const shopperAsDescribed = (described: Described): Shopper =>
  Object.assign({}, ...SHOPPER_FACTS.map((fact) => fact.described.toRequest(described)));

/** The days in a description, with the field each is in. */
export const daysDescribed = (described: object): { field: string; day: unknown }[] =>
  SHOPPER_FACTS.flatMap(({ described: { days = [] } }) =>
    days.map((field) => ({ field, day: Reflect.get(described, field) })),
  );

/**
 * A shopper of whom everything that is asked holds, as far as facts tell one by one; undefined where there can be none.
 *
 * @param at the moment they look, in milliseconds of UTC
 */
export function shopperAsAsked(asked: Asked, at: number): Shopper | undefined {
  const partly = (
    facts: typeof SHOPPER_FACTS | readonly (typeof SHOPPER_FACTS)[number][],
    so: Shopper,
  ): Shopper | undefined => {
    const fact = facts.at(-1);
    if (!fact) return so;
    for (const witness of fact.witnesses(askedOf(asked, fact), at)) {
      const both = agreeing(so, witness);
      const whole = both && partly(facts.slice(0, -1), both);
      if (whole) return whole;
    }
    return undefined;
  };
  return partly(SHOPPER_FACTS, {});
}

/** One shopper of both descriptions, where they do not contradict each other and somebody could be so. */
function agreeing(a: Shopper, b: Shopper): Shopper | undefined {
  const merged = { ...b, ...a };
  const contradict = Object.entries(b).some(([key, value]) => Reflect.get(merged, key) !== value);
  // Whoever has ordered last has ordered once at least.
  const never = merged.orderCount === 0 && merged.lastOrderAt !== undefined;
  return contradict || never ? undefined : merged;
}
