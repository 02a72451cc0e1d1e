import { phrase } from "../../phrases/phrase.ts";
import { normalPostcode, postcodePattern } from "../../postcodes/postcode.ts";
import { codesAround, codesOf } from "../../postcodes/whole-codes.ts";
import { Type } from "../../schema/type.ts";
import type { AskedOfFact } from "../asked.ts";
import { shopperFact } from "../shopper-fact.ts";

const Postcode = Type.String({ title: "a postcode", minLength: 1, maxLength: 16, examples: ["3000-001"] });

/**
 * The postcode the bill goes to, wherever the goods go; the country is the one the bill goes to. Not known unless the request
 * says both.
 */
export const billingPostcode = shopperFact({
  name: "place.billingPostcode",
  domain: { kind: "postcode" },
  words: phrase("the postcode the bill goes to"),
  fields: { billingPostcode: Type.Optional(Postcode) },
  described: {
    fields: { billingPostcode: Type.Optional(Type.Union([Postcode, Type.Null()])) },
    plain: {},
    toRequest: ({ billingPostcode: postcode }) => (postcode == null ? {} : { billingPostcode: postcode }),
  },
  read: ({ billingPostcode: postcode }) => postcode ?? null,
  witnesses: ({ postcodes }) => (postcodes.length === 0 ? [{}] : addressesFor(postcodes)),
});

/** Most codes that are tried. */
const MOST_CODES = 8;

/** Codes in and around the patterns that are as asked; where none is, one of which the engine will say so. */
function addressesFor(asked: AskedOfFact["postcodes"]) {
  const tests = asked.map(({ country, patterns, holds }) => {
    const read = patterns.flatMap((text) => postcodePattern(country, text) ?? []);
    return (of: string, code: string) => (of === country && read.some(({ matches }) => matches(code))) === holds;
  });
  const countries = [...new Set(asked.map(({ country }) => country))];
  const candidates = countries.flatMap((country) =>
    [
      ...asked.filter((one) => one.country === country).flatMap(({ patterns }) => patterns.flatMap(codesAround)),
      ...codesOf(country),
    ].map((typed) => ({ billingCountry: country, billingPostcode: normalPostcode(country, typed) })),
  );
  const fitting = candidates.filter(({ billingCountry, billingPostcode: code }) =>
    tests.every((test) => test(billingCountry, code)),
  );
  return fitting.length > 0 ? fitting.slice(0, MOST_CODES) : candidates.slice(0, 1);
}
