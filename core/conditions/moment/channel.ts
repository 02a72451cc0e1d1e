import { Type } from "@sinclair/typebox";
import { closed, Tag } from "../../plan/atoms.ts";
import { constant, defineCondition } from "../definition.ts";
import { orList } from "../list.ts";

/** Where the cart is: a web shop, an app, a till. Unknown unless the request says. */
export const channel = defineCondition({
  kind: "channel",
  family: "moment",
  schema: Type.Object(
    { kind: Type.Literal("channel"), channels: Type.Array(Tag, { minItems: 1, maxItems: 50 }) },
    closed,
  ),
  example: { kind: "channel", channels: ["app"] },
  compile: ({ channels }) => {
    const wanted = new Set(channels);
    return constant(({ facts }) => (facts.channel === null ? null : wanted.has(facts.channel)));
  },
  words: ({ channels }) => `the cart is in ${orList(channels)}`,
});
