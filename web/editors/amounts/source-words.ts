import type { ResolvedAmount } from "../../../core/money/amount.ts";
import { makersMoney } from "../../../core/money/format.ts";
import { typedAmount } from "../../../core/money/typed.ts";

/** Where a converted amount comes from. @example "€60 · nearest ¥500" */
export function sourceWords(
  { base, source, rounding }: Extract<ResolvedAmount, { from: "conversion" }>,
  currency: string,
): string {
  const step = typedAmount(rounding.step, currency);
  const multiple = "minor" in step ? makersMoney(step.minor, currency, "short") : rounding.step;
  const direction = { nearest: "nearest", up: "up to", down: "down to" }[rounding.direction];
  const less = rounding.lessOne ? ", less the smallest coin" : "";
  return `${makersMoney(source, base, "short")} · ${direction} ${multiple}${less}`;
}
