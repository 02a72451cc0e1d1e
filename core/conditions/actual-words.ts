import { measured } from "../measures/measure-spec.ts";
import { formatMoney } from "../money/format.ts";
import type { Condition } from "./condition.ts";
import type { Actual } from "./definition.ts";

/**
 * What was found where a condition looked, in words; nothing where yes, no or unknown has said it already.
 *
 * @param currency of amounts, which come in its minor units
 * @example actualWords({ kind: "weight", … }, 2_000_000, "EUR") // "2 kg"
 */
export function actualWords({ kind }: Condition, actual: Actual | undefined, currency: string): string | undefined {
  if (actual === undefined || actual === null || typeof actual === "boolean") return undefined;
  if (typeof actual === "number") {
    if (kind === "value" || kind === "total-spent") return formatMoney(actual, currency, "en");
    if (kind === "weight" || kind === "distance") return measured(kind, actual, currency, "en");
    return String(actual);
  }
  return typeof actual === "string" ? actual : actual.length === 0 ? "nothing" : actual.join(", ");
}
