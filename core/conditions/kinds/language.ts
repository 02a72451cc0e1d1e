import { readLanguage } from "../../facts/moment/language.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed, Locale } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The shopper reads one of these languages; "pt" includes every kind of Portuguese. Unknown unless the request says. */
export const language = defineCondition({
  kind: "language",
  family: "moment",
  schema: Type.Object(
    { kind: Type.Literal("language"), languages: Type.Array(Locale, { minItems: 1, maxItems: 100 }) },
    closed,
  ),
  example: { kind: "language", languages: ["pt"] },
  compile: ({ languages }) => {
    const wanted = new Set(languages);
    return leaf(
      ({ facts: { locale } }) =>
        locale === null ? null : wanted.has(locale) || wanted.has(locale.split("-")[0] ?? locale),
      ({ facts }) => facts.locale,
    );
  },
  constrains: ({ languages }) => oneOf(readLanguage, languages),
  words: ({ languages }) => phrase("the shopper reads {list}", { list: orList(languages) }),
});
