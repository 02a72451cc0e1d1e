import type { Phrase } from "../phrases/phrase.ts";

/** What the values of a fact can be, so that an analysis can enumerate or intersect them. */
export type Domain =
  | { readonly kind: "flag" }
  /** Whole numbers from zero on. */
  | { readonly kind: "number" }
  /** One of names without end. */
  | { readonly kind: "name" }
  /** A set of such names. */
  | { readonly kind: "names" }
  /** Minutes of a day, days of a week: values from 0 to below `length`, round and round. */
  | { readonly kind: "cycle"; readonly length: number }
  /** Milliseconds of UTC. */
  | { readonly kind: "instant" }
  /** Postcodes of a country. */
  | { readonly kind: "postcode" }
  /** Lines of a cart, told apart by labels, traits and figures. */
  | { readonly kind: "lines" };

/** Something that can be known of a shopper, a place, a cart or a moment, and that conditions ask about. */
export type Fact = {
  /** Of which family it is, and which of it: `shopper.orderCount`. */
  readonly name: `${"shopper" | "place" | "cart" | "moment"}.${string}`;
  readonly domain: Domain;
  /** In English, for the people who make plans. */
  readonly words: Phrase;
};

/** Names that one has to be, and names it must not be; null: any. */
export type OneName = { readonly in: readonly string[] | null; readonly not: readonly string[] };

/** Postcodes of a country that fit some of the patterns; or any others, those of other countries included. */
export type SomePostcodes = {
  readonly country: string;
  readonly patterns: readonly string[];
  readonly holds: boolean;
};

/** Sets of names: some of each list, none of the other. */
export type SomeNames = { readonly someOf: readonly (readonly string[])[]; readonly noneOf: readonly string[] };
