import { phrase } from "../../phrases/phrase.ts";
import { type Problem, pointer } from "../../schema/problem.ts";
import type { Quote } from "./quote.ts";

type Path = readonly (string | number)[];
const TOTALS: Path = ["totals"];

/**
 * The figures of an answer that are beyond what can be counted to the unit: none of them may leave. The cart or the plan is
 * too large for them. Every answer is looked through, so that next to nothing is made for figures that can be counted.
 */
export function uncountable({ totals, options, progress }: Quote): Problem[] {
  const problems: Problem[] = [];
  const look = (figure: number | null | undefined, path: Path, at: Path[number]) => {
    if (figure === null || figure === undefined || Number.isSafeInteger(figure)) return;
    problems.push({ path: pointer(...path, at), message: phrase("comes to more than can be counted") });
  };
  look(totals.shelf, TOTALS, "shelf");
  look(totals.lineDiscounts, TOTALS, "lineDiscounts");
  look(totals.orderDiscounts, TOTALS, "orderDiscounts");
  look(totals.goods, TOTALS, "goods");
  options.forEach(({ price, fullPrice, total, tax, grants }, i) => {
    const path: Path = ["options", i];
    look(price, path, "price");
    look(fullPrice, path, "fullPrice");
    look(total, path, "total");
    look(tax, path, "tax");
    grants.forEach((grant, g) => {
      if (grant.kind !== "gift") look(grant.amount, [...path, "grants", g], "amount");
    });
  });
  progress.forEach(({ goal, counted, remaining, remainingSaid }, i) => {
    const path: Path = ["progress", i];
    look(goal, path, "goal");
    look(counted, path, "counted");
    look(remaining, path, "remaining");
    look(remainingSaid, path, "remainingSaid");
  });
  return problems;
}
