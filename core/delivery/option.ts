import { ChargeRef } from "../charges/charge.ts";
import { ConditionRef } from "../conditions/condition.ts";
import { OnChannels } from "../conditions/on-channels.ts";
import { RichByLocale } from "../messages/rich-text.ts";
import { Amount, Rounding } from "../money/amount.ts";
import { Handling } from "../money/handling.ts";
import { Distance } from "../quantities/quantity.ts";
import { ByLocale, byKind, CurrencyCode, closed, Id, Percent, Position } from "../schema/atoms.ts";
import { Name } from "../schema/identifier.ts";
import { type Static, Type } from "../schema/type.ts";
import { Picture } from "./picture.ts";
import { DeliveryPromise } from "./promise.ts";
import { StoreCost } from "./store-cost.ts";
import { Windows } from "./windows.ts";

/** How goods reach the shopper: by post or carrier, by the store itself around a location, or by the shopper's own feet. */
const Way = byKind(
  [
    Type.Object({ kind: Type.Literal("shipped") }, closed),
    Type.Object(
      {
        kind: Type.Literal("local"),
        location: Id,
        within: Type.Optional({ ...Distance, description: "As the crow flies" }),
      },
      closed,
    ),
    Type.Object({ kind: Type.Literal("collected"), location: Id }, closed),
  ],
  "Way",
);

/** A charge on top with a name of its own, such as for remote areas; with `when`, only under a condition. */
const Surcharge = Type.Object(
  { id: Id, position: Position, name: ByLocale, when: Type.Optional(ConditionRef), charge: ChargeRef },
  { ...closed, title: "Surcharge" },
);

/** What differs in one zone from what the option's zones share. */
const ZoneOwn = Type.Object(
  { charge: Type.Optional(ChargeRef), handling: Type.Optional(Handling), promise: Type.Optional(DeliveryPromise) },
  { ...closed, title: "ZoneOwn" },
);
export type ZoneOwn = Static<typeof ZoneOwn>;

/**
 * What a shopper can pick at the checkout. Its full price is the charge and base charge, marked up, kept between minimum
 * and maximum, its tax settled, rounded; then handling, surcharges and the products' own charges.
 */
export const DeliveryOption = Type.Object(
  {
    id: Id,
    position: Position,
    name: ByLocale,
    note: Type.Optional({ ...RichByLocale, description: "Read beside it" }),
    picture: Type.Optional(Picture),
    code: Type.Optional({ ...Name(), description: "What the order system knows it by; told with the answer" }),
    on: Type.Optional(Type.Boolean({ description: "false: as if it were not there" })),
    way: Type.Optional(Way),
    zones: Type.Array(Id, {
      maxItems: 5000,
      uniqueItems: true,
      description:
        "Zones it is offered in; one that is collected and names none: wherever the market of its location sells",
    }),
    channels: Type.Optional(OnChannels),
    when: Type.Optional(ConditionRef),
    whenUnavailable: Type.Optional(
      Type.Union([Type.Literal("left-out"), Type.Literal("shown")], {
        description: "What shoppers see of it while it cannot be had; left out unless it says shown",
      }),
    ),
    charge: ChargeRef,
    base: Type.Optional({ ...Amount, description: "Added once when anything is charged for" }),
    markUp: Type.Optional(
      Type.Object({ percent: Type.Optional(Percent), amount: Type.Optional(Amount) }, { ...closed, title: "MarkUp" }),
    ),
    minimum: Type.Optional(Amount),
    maximum: Type.Optional(Amount),
    entered: Type.Optional(
      Type.Union([Type.Literal("with-tax"), Type.Literal("without-tax")], {
        description: "How its charges are entered; as the market writes prices unless given",
      }),
    ),
    taxRate: Type.Optional({ ...Percent, description: "0 for untaxed; the zone's standard rate unless given" }),
    rounding: Type.Optional(Type.Record(CurrencyCode, Rounding, closed)),
    handling: Type.Optional(Handling),
    surcharges: Type.Optional(Type.Array(Surcharge, { maxItems: 50 })),
    asks: Type.Optional(
      Type.Array(Type.Union([Type.Literal("phone"), Type.Literal("entry-code"), Type.Literal("delivery-window")]), {
        maxItems: 3,
        uniqueItems: true,
        description: "What the shopper has to tell",
      }),
    ),
    promise: Type.Optional(DeliveryPromise),
    costsStore: Type.Optional(StoreCost),
    windows: Type.Optional(Windows),
    byZone: Type.Optional(
      Type.Record(Id, ZoneOwn, { ...closed, description: "What single zones have of their own instead" }),
    ),
  },
  { ...closed, title: "DeliveryOption" },
);
export type DeliveryOption = Static<typeof DeliveryOption>;

/** The option as one zone has it: its own charge, handling or promise in place of the shared ones. */
export function optionIn(option: DeliveryOption, zone: string): DeliveryOption {
  const own = option.byZone?.[zone];
  return own ? { ...option, ...own } : option;
}
