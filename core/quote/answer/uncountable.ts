import { phrase } from "../../phrases/phrase.ts";
import { type Problem, pointer } from "../../schema/problem.ts";
import type { Quote } from "./quote.ts";

/**
 * The figures of an answer that are beyond what can be counted to the unit: none of them may leave. The cart or the plan is
 * too large for them. Every answer is looked through, so that nothing is made for figures that can be counted.
 */
export function uncountable({ totals, options, progress }: Quote): Problem[] {
  const problems: Problem[] = [];
  const look = (figure: number | null | undefined, list: string, key: string, i?: number, grant?: number) => {
    if (figure === null || figure === undefined || Number.isSafeInteger(figure)) return;
    const path = [list, ...(i === undefined ? [] : [i]), ...(grant === undefined ? [] : ["grants", grant]), key];
    problems.push({ path: pointer(...path), message: phrase("comes to more than can be counted") });
  };
  look(totals.shelf, "totals", "shelf");
  look(totals.lineDiscounts, "totals", "lineDiscounts");
  look(totals.orderDiscounts, "totals", "orderDiscounts");
  look(totals.goods, "totals", "goods");
  options.forEach(({ price, fullPrice, total, tax, grants }, i) => {
    look(price, "options", "price", i);
    look(fullPrice, "options", "fullPrice", i);
    look(total, "options", "total", i);
    look(tax, "options", "tax", i);
    grants.forEach((grant, g) => {
      if (grant.kind !== "gift") look(grant.amount, "options", "amount", i, g);
    });
  });
  progress.forEach(({ goal, counted, remaining, remainingSaid }, i) => {
    look(goal, "progress", "goal", i);
    look(counted, "progress", "counted", i);
    look(remaining, "progress", "remaining", i);
    look(remainingSaid, "progress", "remainingSaid", i);
  });
  return problems;
}
