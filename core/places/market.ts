import { type Static, Type } from "@sinclair/typebox";
import { CountryCode, CurrencyCode, closed, Id, Locale, Percent, Position, RegionCode } from "../plan/atoms.ts";

const Name = Type.String({ minLength: 1, maxLength: 100 });

/** A commercial territory: its currencies and languages (the first of each is home), its time, its way with tax. */
export const Market = Type.Object(
  {
    id: Id,
    position: Position,
    name: Name,
    currencies: Type.Array(CurrencyCode, { minItems: 1, maxItems: 20, uniqueItems: true }),
    languages: Type.Array(Locale, { minItems: 1, maxItems: 20, uniqueItems: true }),
    timeZone: Type.String({ minLength: 1, maxLength: 64, description: "IANA name" }),
    pricesIncludeTax: Type.Boolean(),
  },
  { ...closed, title: "Market" },
);
export type Market = Static<typeof Market>;

/** Destinations of one market that share delivery options and a standard tax rate. */
export const Zone = Type.Object(
  {
    id: Id,
    position: Position,
    market: Id,
    name: Name,
    destinations: Type.Array(
      Type.Union([Type.Object({ country: CountryCode }, closed), Type.Object({ region: RegionCode }, closed)]),
      { maxItems: 1000 },
    ),
    standardTaxRate: Percent,
  },
  { ...closed, title: "Zone" },
);
export type Zone = Static<typeof Zone>;
