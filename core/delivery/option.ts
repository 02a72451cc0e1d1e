import { type Static, Type } from "@sinclair/typebox";
import { ChargeRef } from "../charges/charge.ts";
import { ConditionRef } from "../conditions/condition.ts";
import { ByLocale, closed, Id, Position } from "../plan/atoms.ts";

/** What a shopper can pick at the checkout. */
export const DeliveryOption = Type.Object(
  {
    id: Id,
    position: Position,
    name: ByLocale,
    note: Type.Optional(ByLocale),
    zones: Type.Array(Id, { maxItems: 1000, uniqueItems: true, description: "Zones it is offered in" }),
    when: Type.Optional(ConditionRef),
    charge: ChargeRef,
  },
  { ...closed, title: "DeliveryOption" },
);
export type DeliveryOption = Static<typeof DeliveryOption>;
