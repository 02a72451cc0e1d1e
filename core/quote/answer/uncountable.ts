import { phrase } from "../../phrases/phrase.ts";
import { type Problem, pointer } from "../../schema/problem.ts";
import type { Quote } from "./quote.ts";

/**
 * The figures of an answer that are beyond what can be counted to the unit: none of them may leave. The cart or the plan is
 * too large for them.
 */
export function uncountable(answer: Quote): Problem[] {
  return isCountable(answer) ? [] : problemsOf(answer);
}

const countable = (figure: number | null | undefined): boolean =>
  figure === null || figure === undefined || Number.isSafeInteger(figure);

function isCountable({ totals, options, progress }: Quote): boolean {
  if (![totals.shelf, totals.lineDiscounts, totals.orderDiscounts, totals.goods].every(countable)) return false;
  for (const { price, fullPrice, total, tax, grants } of options) {
    if (!countable(price) || !countable(fullPrice) || !countable(total) || !countable(tax)) return false;
    for (const grant of grants) if (grant.kind !== "gift" && !countable(grant.amount)) return false;
  }
  for (const { goal, counted, remaining, remainingSaid } of progress)
    if (!countable(goal) || !countable(counted) || !countable(remaining) || !countable(remainingSaid)) return false;
  return true;
}

function problemsOf({ totals, options, progress }: Quote): Problem[] {
  const problems: Problem[] = [];
  const look = (figure: number | null | undefined, ...path: (string | number)[]) => {
    if (countable(figure)) return;
    problems.push({ path: pointer(...path), message: phrase("comes to more than can be counted") });
  };
  for (const key of ["shelf", "lineDiscounts", "orderDiscounts", "goods"] as const) look(totals[key], "totals", key);
  options.forEach(({ price, fullPrice, total, tax, grants }, i) => {
    const figures = { price, fullPrice, total, tax };
    for (const [key, figure] of Object.entries(figures)) look(figure, "options", i, key);
    grants.forEach((grant, g) => {
      if (grant.kind !== "gift") look(grant.amount, "options", i, "grants", g, "amount");
    });
  });
  progress.forEach(({ goal, counted, remaining, remainingSaid }, i) => {
    const figures = { goal, counted, remaining, remainingSaid };
    for (const [key, figure] of Object.entries(figures)) look(figure, "progress", i, key);
  });
  return problems;
}
