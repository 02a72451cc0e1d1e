import { Handling } from "../money/handling.ts";
import { ByLocale, CurrencyCode, closed, Id, Locale, Percent, Position } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";
import { ZoneDestination } from "./destination.ts";

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
    called: Type.Optional({ ...ByLocale, description: "What shoppers read as {place}; its name unless given" }),
    on: Type.Optional(Type.Boolean({ description: "False: switched off" })),
    whenOff: Type.Optional(
      Type.Union([Type.Literal("falls-to-wider"), Type.Literal("stops-selling")], {
        description:
          "While it is switched off, its places are those of the next wider zone, as if it were not there, or nobody's; the wider zone's unless given",
      }),
    ),
    destinations: Type.Array(ZoneDestination, { maxItems: 1000 }),
    standardTaxRate: Percent,
    handling: Type.Optional(Handling),
  },
  { ...closed, title: "Zone" },
);
export type Zone = Static<typeof Zone>;

/** Whether a zone has a say in who serves a place: it is on, or it is off and keeps its places from being sold to. */
export const claimsPlaces = ({ on, whenOff }: Zone): boolean => on !== false || whenOff === "stops-selling";
