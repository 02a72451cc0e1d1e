import type { Pool } from "mysql2/promise";
import { phrase } from "../../core/phrases/phrase.ts";
import type { Problem } from "../../core/schema/problem.ts";
import { type Answer, jsonAnswer } from "../http/answer.ts";
import { problemAnswer } from "../http/problem-document.ts";
import { checkOrderIn } from "./check-order.ts";
import { deliverersOf } from "./deliverers.ts";
import type { OrderIn } from "./order-in.ts";
import { orderProblems, writeOrders } from "./write-orders.ts";

/** Takes orders that a shop sends: all of them, or none and what is wrong with which. */
export async function answerOrders(pool: Pool, sent: readonly unknown[]): Promise<Answer> {
  const orders: OrderIn[] = [];
  const problems: Problem[] = [];
  const deliverers = deliverersOf(pool);
  for (const [i, one] of sent.entries()) {
    const checked = checkOrderIn(one);
    const found = "problems" in checked ? checked.problems : await orderProblems(checked.value, deliverers);
    problems.push(...found.map((problem) => ({ ...problem, path: `/orders/${i}${problem.path}` })));
    if ("value" in checked) orders.push(checked.value);
  }
  return problems.length > 0
    ? problemAnswer(422, phrase("The orders cannot be taken"), { problems })
    : jsonAnswer(await writeOrders(pool, orders, deliverers));
}
