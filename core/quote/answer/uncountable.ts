import { phrase } from "../../phrases/phrase.ts";
import { type Problem, pointer } from "../../schema/problem.ts";
import type { Quote } from "./quote.ts";

const TOTALS = ["shelf", "lineDiscounts", "orderDiscounts", "goods"] as const;
const OF_OPTION = ["price", "fullPrice", "total", "tax"] as const;
const OF_STEP = ["goal", "counted", "remaining", "remainingSaid"] as const;

/**
 * The figures of an answer that are beyond what can be counted to the unit: none of them may leave. The cart or the plan is
 * too large for them. Every answer is looked through, so that nothing is made for figures that can be counted.
 */
export function uncountable({ totals, options, progress }: Quote): Problem[] {
  const problems: Problem[] = [];
  const tooMuch = (...path: (string | number)[]) =>
    problems.push({ path: pointer(...path), message: phrase("comes to more than can be counted") });
  for (const key of TOTALS) if (!countable(totals[key])) tooMuch("totals", key);
  options.forEach((option, i) => {
    for (const key of OF_OPTION) if (!countable(option[key])) tooMuch("options", i, key);
    option.grants.forEach((grant, g) => {
      if (grant.kind !== "gift" && !countable(grant.amount)) tooMuch("options", i, "grants", g, "amount");
    });
  });
  progress.forEach((step, i) => {
    for (const key of OF_STEP) if (!countable(step[key])) tooMuch("progress", i, key);
  });
  return problems;
}

const countable = (figure: number | null | undefined): boolean =>
  figure === null || figure === undefined || Number.isSafeInteger(figure);
