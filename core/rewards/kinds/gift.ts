import { phrase } from "../../phrases/phrase.ts";
import { closed, Tag } from "../../schema/atoms.ts";
import { type Static, Type } from "../../schema/type.ts";
import { defineOrderReward } from "../definition.ts";

const Gift = Type.Object(
  { kind: Type.Literal("gift"), sku: Tag, quantity: Type.Integer({ minimum: 1, maximum: 1000 }) },
  closed,
);

const giftWords = ({ sku, quantity }: Static<typeof Gift>) =>
  quantity === 1 ? phrase("a gift of {sku}", { sku }) : phrase("a gift of {quantity} × {sku}", { quantity, sku });

/** Something is put in for nothing. */
export const gift = defineOrderReward({
  kind: "gift",
  schema: Gift,
  example: { kind: "gift", sku: "bone-folder", quantity: 1 },
  compile: ({ sku, quantity }) => ({ kind: "gift", sku, quantity }),
  problems: () => [],
  rules: () => [],
  title: giftWords,
  words: giftWords,
  figure: ({ sku }) => sku,
});
