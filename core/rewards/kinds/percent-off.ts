import { percent as percentOf } from "../../money/decimal.ts";
import { ONE, subtract } from "../../money/rational.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed, Percent } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineDeliveryReward } from "../definition.ts";
import { nothingInPercent, tooManyPercent } from "../nothing.ts";
import { onDelivery } from "../on-delivery.ts";
import { keep } from "../price-changes.ts";

/** So many percent less. */
export const percentOff = defineDeliveryReward({
  kind: "percent-off",
  schema: Type.Object({ kind: Type.Literal("percent-off"), ...onDelivery, percent: Percent }, closed),
  example: { kind: "percent-off", options: ["standard"], percent: "50" },
  turn: 2,
  compile: ({ percent }) => {
    const off = percentOf(percent);
    return off && keep(subtract(ONE, off));
  },
  problems: ({ percent }, path) => tooManyPercent(percent, path),
  rules: ({ percent }) => nothingInPercent(percent),
  title: ({ percent }, { options }) => phrase("{percent}% off {options}", { percent, options }),
  words: ({ percent }, { options }) => phrase("{percent}% off {options}", { percent, options }),
  figure: ({ percent }, write) => write.percent(percent),
});
