import { type Static, type TSchema, Type } from "@sinclair/typebox";
import { DESCRIBED_FIELDS } from "../../core/facts/shopper-facts.ts";
import { CountryCode, CurrencyCode, closed, Locale, RegionCode } from "../../core/schema/atoms.ts";
import { Name } from "../../core/schema/identifier.ts";
import { CarrierBehaviour } from "../carriers/simulated.ts";

const Text = Type.String({ maxLength: 64 });
const orEmpty = <Schema extends TSchema>(schema: Schema) => Type.Union([Type.Literal(""), schema]);

/** A shopper as described; null figures are not known. */
const DescribedShopper = Type.Object(
  {
    ...DESCRIBED_FIELDS,
    uses: Type.Optional(
      Type.Record(Text, Type.Integer({ minimum: 0 }), { description: "How often this shopper has used offers, by id" }),
    ),
  },
  closed,
);
export type DescribedShopper = Static<typeof DescribedShopper>;

/** Who looks: where it goes (empty while not known), who and when, in which currency and language. */
export const Standpoint = Type.Object(
  {
    country: orEmpty(CountryCode),
    region: orEmpty(RegionCode),
    postcode: Text,
    away: Type.Optional(
      Type.Object(
        { location: Text, km: Type.Number({ minimum: 0, maximum: 5000 }) },
        { ...closed, description: "How far it goes from one of the plan's locations; not known when left out" },
      ),
    ),
    currency: CurrencyCode,
    locale: Locale,
    channel: Type.Optional({ ...Name(), description: "Where the cart is: a web shop, an app; none where left out" }),
    payment: Type.Optional({ ...Name(), description: "The way of paying; not chosen yet where left out" }),
    street: Type.Optional(
      Type.String({ minLength: 1, maxLength: 500, description: "Street lines; not known where left out" }),
    ),
    shopper: Type.Union([DescribedShopper, Type.Null()], { description: "null: a guest of whom nothing is known" }),
    moment: Type.Union([Text, Type.Null()], { description: "By the market's clocks, YYYY-MM-DDTHH:MM; null: now" }),
    moods: Type.Record(Text, CarrierBehaviour, {
      description: "How simulated carriers behave, by id; well where left out",
    }),
  },
  { ...closed, title: "Standpoint" },
);
export type Standpoint = Static<typeof Standpoint>;
