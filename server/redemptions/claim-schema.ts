import { type Static, Type } from "@sinclair/typebox";
import { closed, Id } from "../../core/schema/atoms.ts";
import { IDENTIFIER_PATTERN } from "../../core/schema/identifier.ts";
import { LocalDay } from "../../core/time/local.ts";

const Reference = Type.String({
  minLength: 1,
  maxLength: 100,
  pattern: IDENTIFIER_PATTERN,
  description: "Not blank, without control characters; compared to the letter",
});

/** An order that uses offers, and the window it is brought or handed over in: all of it is claimed, or none. */
export const Claim = Type.Object(
  {
    order: Reference,
    offers: Type.Array(Id, { maxItems: 50, uniqueItems: true }),
    window: Type.Optional(Type.Object({ option: Id, slot: Id, day: LocalDay }, closed)),
    shopper: Type.Optional(Reference),
  },
  { ...closed, title: "Claim" },
);
export type Claim = Static<typeof Claim>;

/** An order that is cancelled: what it used is free again. */
export const Cancel = Type.Object({ order: Reference }, { ...closed, title: "Cancel" });

/** A shopper by the reference that the shop gives: in a body, which no log of addresses keeps. */
export const NamedShopper = Type.Object({ shopper: Reference }, { ...closed, title: "NamedShopper" });
