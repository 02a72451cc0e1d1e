import { type Static, Type } from "@sinclair/typebox";
import { closed } from "../../core/schema/atoms.ts";

/** What holds for the whole store and is no part of its plan. */
export const Settings = Type.Object(
  {
    secondFactor: Type.Union([Type.Literal("by-choice"), Type.Literal("run"), Type.Literal("everyone")], {
      description: "Who has to sign in with a second factor",
    }),
    secondPerson: Type.Boolean({
      description: "Whether a release is made by one person after another has asked for it",
    }),
    shoppersKeptDays: Type.Union([Type.Null(), Type.Integer({ minimum: 1, maximum: 36_500 })], {
      description: "Days after a shopper's last claim, then the reference is erased; null: never",
    }),
    outgoing: Type.Array(Type.String({ minLength: 1, maxLength: 253, pattern: "^[A-Za-z0-9._:/-]+$" }), {
      maxItems: 100,
      uniqueItems: true,
      description:
        "Hosts that the server may call: names, and addresses or ranges of them, which private ones have to be",
    }),
  },
  { ...closed, title: "Settings" },
);
export type Settings = Static<typeof Settings>;

export const FIRST_SETTINGS: Settings = {
  secondFactor: "by-choice",
  secondPerson: false,
  shoppersKeptDays: null,
  outgoing: [],
};

/** A host that is tried. */
export const CallOut = Type.Object({ address: Type.String({ minLength: 1, maxLength: 500 }) }, closed);
