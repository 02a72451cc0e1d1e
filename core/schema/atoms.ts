import { type Static, type TSchema, Type } from "./type.ts";

/** The small parts that plan and request schemas are made of. */
/** What a string is called by people, and how it is written, stand in its `title` and `examples`: fields say them. */
export const Id = Type.String({
  pattern: "^[a-z0-9][a-z0-9-]{0,63}$",
  description: "Lower-case letters, digits and hyphens; 64 at most",
});
export const CurrencyCode = Type.String({
  title: "A currency's three letters",
  pattern: "^[A-Z]{3}$",
  description: "ISO 4217 code",
  examples: ["EUR"],
});
export const CountryCode = Type.String({
  title: "A country's two letters",
  pattern: "^[A-Z]{2}$",
  description: "ISO 3166-1 alpha-2 code",
  examples: ["PT"],
});
export const RegionCode = Type.String({
  title: "A region's code",
  pattern: "^[A-Z]{2}-[A-Z0-9]{1,3}$",
  description: "ISO 3166-2 code",
  examples: ["PT-30"],
});
export const Locale = Type.String({
  title: "A language tag",
  pattern: "^[a-z]{2,3}(-[A-Z][a-z]{3})?(-([A-Z]{2}|[0-9]{3}))?$",
  description: "BCP 47 language tag: language, script, region",
  examples: ["pt", "pt-BR"],
});
export const Percent = Type.String({
  title: "A percent",
  pattern: "^(0|[1-9][0-9]{0,2})(\\.[0-9]{1,6})?$",
  description: 'Percent as a decimal string: "23" is 23 %',
  examples: ["5", "2.5"],
});
export const Decimal = Type.String({
  title: "A figure",
  pattern: "^[0-9]{1,15}(\\.[0-9]{1,12})?$",
  description: "Amount in major units as a decimal string, with no more decimals than the currency has",
  examples: ["2", "0.5"],
});
export const MinorUnits = Type.Integer({
  minimum: 0,
  maximum: 100_000_000_000,
  description: "Minor units of the request's currency",
});
export const Position = Type.Integer({
  minimum: 0,
  maximum: 1_000_000,
  description: "Order among its kind; ties go by id",
});
export const Tag = Type.String({ minLength: 1, maxLength: 64 });
export const Text = Type.String({ minLength: 1, maxLength: 2000 });
export const ByLocale = Type.Record(Locale, Text, { additionalProperties: false });

export const WebAddress = Type.String({
  title: "An address of the web",
  pattern: '^(https?://[^\\s<>"]+|/[^\\s<>"]*)$',
  maxLength: 500,
  description: "http, https, or a path of the shop's own",
  examples: ["/help/holidays"],
});

export const closed = { additionalProperties: false } as const;

/** Compares by explicit position, then by id: the only order there is; the order of arrays means nothing. */
export function byPosition(a: { position: number; id: string }, b: { position: number; id: string }): number {
  return a.position - b.position || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}

/** Compares by explicit position alone, for parts without an id. */
export const byRank = (a: { position: number }, b: { position: number }): number => a.position - b.position;

/** A choice between objects told apart by their `kind`, so that errors speak of the kind that was meant. */
export function byKind<Variants extends TSchema[]>(variants: [...Variants], title: string) {
  return byKindOf("kind", variants, title);
}

/** The same, told apart by a property of another name. */
export function byKindOf<Variants extends TSchema[]>(propertyName: string, variants: [...Variants], title: string) {
  return Type.Unsafe<Static<Variants[number]>>({
    title,
    type: "object",
    required: [propertyName],
    discriminator: { propertyName },
    oneOf: variants,
  });
}
