import { daysSinceOpened } from "../../facts/shopper/days-since-opened.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import type { Situation } from "../../situation/situation.ts";
import { COMPARISON_WORDS, compared, rangeOf } from "../compare.ts";
import { inRanges } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The shopper's account was opened at least, or at most, so many days (of 24 hours) ago; unknown unless the request says. */
export const accountAge = defineCondition({
  kind: "account-age",
  family: "shopper",
  schema: Type.Object(
    {
      kind: Type.Literal("account-age"),
      is: Type.Union([Type.Literal("at-least"), Type.Literal("at-most")]),
      days: Type.Integer({ minimum: 0, maximum: 36_500 }),
    },
    closed,
  ),
  example: { kind: "account-age", is: "at-most", days: 30 },
  compile: ({ is, days }) =>
    leaf(
      compared(is, days, ({ facts }: Situation) => daysSinceOpened.read(facts.shopper, facts.at)),
      ({ facts }) => facts.shopper.accountOpenedAt ?? null,
    ),
  constrains: ({ is, days }) => inRanges(daysSinceOpened, rangeOf(is, days)),
  words: ({ is, days }) =>
    phrase("the shopper opened the account {least} {days, plural, one {# day} other {# days}} ago", {
      least: COMPARISON_WORDS[is],
      days,
    }),
});
