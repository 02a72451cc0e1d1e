import { phrase } from "../../phrases/phrase.ts";
import { closed, Id } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineDeliveryReward } from "../definition.ts";
import { onWholePrice } from "../on-delivery.ts";
import { downToOption } from "../price-changes.ts";

/** What another option costs is all that is charged: handling and products' own charges are not paid twice. */
export const optionPrice = defineDeliveryReward({
  kind: "option-price",
  schema: Type.Object(
    {
      kind: Type.Literal("option-price"),
      ...onWholePrice,
      of: { ...Id, description: "The option whose full price is charged" },
    },
    closed,
  ),
  example: { kind: "option-price", options: ["express"], of: "standard" },
  turn: 0,
  coversAll: true,
  namesOptions: ({ of }) => [{ key: "of", id: of }],
  compile: ({ of }) => downToOption(of),
  problems: () => [],
  rules: ({ options, of }) =>
    options.includes(of)
      ? [{ path: "/of", message: phrase("an option cannot be had at its own price: name another") }]
      : [],
  title: ({ of }, { options, optionName }) =>
    phrase("{options} at the price of {other}", { options, other: optionName(of) }),
  words: ({ of }, { options, optionName }) =>
    phrase("{options} at the price of {other}", { options, other: optionName(of) }),
  figure: ({ of }, write) => write.option(of),
});
