import type { ResolvedAmount } from "../../../core/money/amount.ts";
import { typedAmount } from "../../../core/money/typed.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";

/** Where a converted amount comes from. @example "€60 · nearest ¥500" */
export function sourceWords(
  { base, source, rounding }: Extract<ResolvedAmount, { from: "conversion" }>,
  currency: string,
): string {
  const step = typedAmount(rounding.step, currency);
  const multiple = "minor" in step ? makersMoney(step.minor, currency, "short") : rounding.step;
  const direction = { nearest: say("nearest"), up: say("up to"), down: say("down to") }[rounding.direction];
  const less = rounding.lessOne ? say(", less the smallest coin") : "";
  return `${makersMoney(source, base, "short")} · ${direction} ${multiple}${less}`;
}
