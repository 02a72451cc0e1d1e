import { salesChannel } from "../../facts/moment/channel.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed, Tag } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** Where the cart is: a web shop, an app, a till. A channel left out is none of them. */
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
    return leaf(
      ({ facts }) => facts.channel !== null && wanted.has(facts.channel),
      ({ facts }) => facts.channel,
    );
  },
  constrains: ({ channels }) => oneOf(salesChannel, channels),
  words: ({ channels }) => phrase("the cart is in {list}", { list: orList(channels) }),
});
