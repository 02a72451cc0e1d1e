import { CarrierAccounts } from "../charges/carrier-account.ts";
import { SavedCondition, type SavedConditions } from "../conditions/condition.ts";
import { DeliveryOption } from "../delivery/option.ts";
import { Display } from "../messages/display.ts";
import { OwnShopWords } from "../messages/shop-words.ts";
import { StepWording } from "../messages/step-wording.ts";
import { Amount } from "../money/amount.ts";
import { type Rates, RateTable, ratesInForce } from "../money/rates.ts";
import { Notice } from "../offers/notice.ts";
import { Offer } from "../offers/offer.ts";
import { Location } from "../places/location.ts";
import { Market, Zone } from "../places/market.ts";
import { byKindOf, closed, Id, Locale, Percent } from "../schema/atoms.ts";
import { Name } from "../schema/identifier.ts";
import { type Static, Type } from "../schema/type.ts";

/** The number of the plan format; what older files mean is in `former-formats.ts`. */
export const FORMAT = 2;

/** The option chosen for the shopper at first: the cheapest, the first, or the one that arrives first under a price. */
const ChosenAtFirst = byKindOf(
  "rule",
  [
    Type.Object({ rule: Type.Literal("cheapest") }, closed),
    Type.Object({ rule: Type.Literal("first") }, closed),
    Type.Object({ rule: Type.Literal("fastest-under"), price: Amount }, closed),
  ],
  "ChosenAtFirst",
);

/** A finding that somebody has looked at and let be; it comes back when its cause is another. */
export const Accepted = Type.Object(
  {
    code: Id,
    kind: Type.String({ maxLength: 16 }),
    id: Id,
    cause: Type.String({ maxLength: 32, description: "A fingerprint of what was found" }),
    reason: Type.String({ minLength: 1, maxLength: 500 }),
  },
  { ...closed, title: "Accepted" },
);
export type Accepted = Static<typeof Accepted>;

/** Store-wide settings. */
export const Store = Type.Object(
  {
    name: Type.String({ minLength: 1, maxLength: 100 }),
    chosenAtFirst: ChosenAtFirst,
    /** Whether an option that was just made cheaper by an offer is chosen instead. */
    choosesEarned: Type.Optional(Type.Boolean()),
    wording: Type.Optional({ ...StepWording, description: "What is said where a step has no text of its own" }),
    display: Type.Optional(Display),
    words: Type.Optional(OwnShopWords),
    sourceLanguage: Type.Optional({
      ...Locale,
      description: "The language texts are translated from; en unless given",
    }),
    goalsMayStray: Type.Optional({
      ...Percent,
      description:
        "How far typed goals may be from each other at today's rates before it is a finding; 60 unless given",
    }),
    accepted: Type.Optional(Type.Array(Accepted, { maxItems: 1000, description: "Findings looked at and let be" })),
    channels: Type.Optional(
      Type.Array(
        Type.Object(
          { id: Name(), name: Type.String({ minLength: 1, maxLength: 100 }) },
          { ...closed, title: "Channel", description: "As requests name it, and what it is called here" },
        ),
        { maxItems: 50 },
      ),
    ),
    units: Type.Optional(
      Type.Union([Type.Literal("metric"), Type.Literal("imperial")], {
        description: "What new weights and distances are written in; metric unless given",
      }),
    ),
    carriers: Type.Optional(CarrierAccounts),
    shipsFrom: Type.Optional({ ...Id, description: "The location goods are shipped from" }),
  },
  { ...closed, title: "Store" },
);
export type Store = Static<typeof Store>;

/** Everything a store has decided. The order of arrays means nothing; positions do. */
export const Plan = Type.Object(
  {
    format: Type.Literal(FORMAT),
    store: Store,
    markets: Type.Array(Market, { maxItems: 200 }),
    zones: Type.Array(Zone, { maxItems: 5000 }),
    options: Type.Array(DeliveryOption, { maxItems: 5000 }),
    offers: Type.Array(Offer, { maxItems: 5000 }),
    locations: Type.Optional(Type.Array(Location, { maxItems: 1000 })),
    notices: Type.Optional(Type.Array(Notice, { maxItems: 1000 })),
    conditions: Type.Optional(Type.Array(SavedCondition, { maxItems: 5000 })),
    rates: Type.Optional(Type.Array(RateTable, { maxItems: 20 })),
  },
  { ...closed, title: "Plan" },
);
export type Plan = Static<typeof Plan>;

/** The exchange rates in force in a plan. */
export const ratesOf = (plan: Plan): Rates => ratesInForce(plan.rates ?? []);

/** The saved conditions of a plan by id. */
export const savedOf = (plan: Plan): SavedConditions =>
  new Map((plan.conditions ?? []).map((condition) => [condition.id, condition]));
