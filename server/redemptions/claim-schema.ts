import { type Static, Type } from "@sinclair/typebox";
import { closed, Id } from "../../core/schema/atoms.ts";
import { IDENTIFIER_PATTERN } from "../../core/schema/identifier.ts";

const Reference = Type.String({
  minLength: 1,
  maxLength: 100,
  pattern: IDENTIFIER_PATTERN,
  description: "Not blank, without control characters; compared to the letter",
});

/** An order that uses offers: all of them are claimed, or none. */
export const Claim = Type.Object(
  {
    order: Reference,
    offers: Type.Array(Id, { minItems: 1, maxItems: 50, uniqueItems: true }),
    shopper: Type.Optional(Reference),
  },
  { ...closed, title: "Claim" },
);
export type Claim = Static<typeof Claim>;

/** An order that is cancelled: what it used is free again. */
export const Cancel = Type.Object({ order: Reference }, { ...closed, title: "Cancel" });
