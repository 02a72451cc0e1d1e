import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineDeliveryReward } from "../definition.ts";
import { onDelivery } from "../on-delivery.ts";
import { downTo } from "../price-changes.ts";

/** Nothing is charged. */
export const free = defineDeliveryReward({
  kind: "free",
  schema: Type.Object({ kind: Type.Literal("free"), ...onDelivery }, closed),
  example: { kind: "free", options: ["standard"] },
  turn: 1,
  compile: () => downTo(0),
  problems: () => [],
  rules: () => [],
  title: (_, { options }) => phrase("Free {options} delivery", { options }),
  words: (_, { options, first }) =>
    first ? phrase("Free {options} delivery", { options }) : phrase("free {options} delivery", { options }),
  figure: (_, write) => write.free(),
});
