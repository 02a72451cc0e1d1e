import { phrase } from "../../phrases/phrase.ts";
import { Type } from "../../schema/type.ts";
import { daysBefore, daysSince, noonOf } from "../../time/instant.ts";
import { numbersFor } from "../asked.ts";
import { shopperFact } from "../shopper-fact.ts";
import { orderCount } from "./order-count.ts";

/**
 * Days of 24 hours since the last order. Who has never ordered has not ordered for any number of days; without a history it is
 * not known.
 */
export const daysSinceOrder = shopperFact({
  name: "shopper.daysSinceOrder",
  domain: { kind: "number" },
  words: phrase("days since the last order"),
  fields: { ...orderCount.fields, lastOrderAt: Type.Optional(Type.String({ format: "date-time" })) },
  described: {
    fields: {
      lastOrder: Type.Union([Type.String({ maxLength: 64 }), Type.Null()], { description: "A day, YYYY-MM-DD" }),
    },
    plain: { lastOrder: null },
    toRequest: ({ lastOrder }) => (lastOrder === null ? {} : { lastOrderAt: noonOf(lastOrder) }),
    days: ["lastOrder"],
  },
  read: ({ lastOrderAt, orderCount: count }, at) => {
    if (lastOrderAt !== undefined) return daysSince(lastOrderAt, at);
    return count === 0 ? Number.POSITIVE_INFINITY : null;
  },
  witnesses: (asked, at) => {
    const days = numbersFor(asked, 36_500);
    if (!days) return [{}];
    const everSince = asked.numbers?.some(({ until }) => until === null) === true;
    return [
      ...days.slice(0, 1).map((ago) => ({ lastOrderAt: daysBefore(ago, at) })),
      ...(everSince ? [{ orderCount: 0 }] : []),
    ];
  },
});
