import { phrase } from "../../phrases/phrase.ts";
import { Type } from "../../schema/type.ts";
import { daysBefore, daysSince, noonOf } from "../../time/instant.ts";
import { numbersFor } from "../asked.ts";
import { shopperFact } from "../shopper-fact.ts";

/** Whole days of 24 hours since the shopper's account was opened; not known unless the request says. */
export const daysSinceOpened = shopperFact({
  name: "shopper.daysSinceOpened",
  domain: { kind: "number" },
  words: phrase("days since the account was opened"),
  fields: { accountOpenedAt: Type.Optional(Type.String({ format: "date-time" })) },
  described: {
    fields: { accountOpened: Type.Optional(Type.Union([Type.String({ maxLength: 64 }), Type.Null()])) },
    plain: {},
    toRequest: ({ accountOpened }) => (accountOpened ? { accountOpenedAt: noonOf(accountOpened) } : {}),
    days: ["accountOpened"],
  },
  read: ({ accountOpenedAt }, at) => (accountOpenedAt === undefined ? null : daysSince(accountOpenedAt, at)),
  witnesses: (asked, at) =>
    numbersFor(asked, 36_500)?.map((days) => ({ accountOpenedAt: daysBefore(days, at) })) ?? [{}],
});
