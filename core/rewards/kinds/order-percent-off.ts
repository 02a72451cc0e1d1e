import { goodsFilter, LeavesOut, leavesOutKey } from "../../measures/goods-filter.ts";
import { percent as percentOf } from "../../money/decimal.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed, Percent } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineOrderReward } from "../definition.ts";
import { nothingInPercent, tooManyPercent } from "../nothing.ts";

/** So many percent off the goods, or those of them that profit. */
export const orderPercentOff = defineOrderReward({
  kind: "order-percent-off",
  schema: Type.Object(
    { kind: Type.Literal("order-percent-off"), percent: Percent, leavesOut: Type.Optional(LeavesOut) },
    closed,
  ),
  example: { kind: "order-percent-off", percent: "10" },
  compile: ({ percent, leavesOut }) => {
    const part = percentOf(percent);
    return part && { kind: "percent", part, of: goodsFilter(leavesOut), key: leavesOutKey(leavesOut) };
  },
  problems: ({ percent }, path) => tooManyPercent(percent, path),
  rules: ({ percent }) => nothingInPercent(percent),
  title: ({ percent }) => phrase("{percent}% off the order", { percent }),
  words: ({ percent }) => phrase("{percent}% off the order", { percent }),
  figure: ({ percent }, write) => write.percent(percent),
});
