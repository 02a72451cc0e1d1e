import type { APIRoute } from "astro";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { problemAnswer } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { readOrders } from "../../../../server/orders/read-orders.ts";
import { checkOneOrder } from "../../../../server/validation/documents.ts";

/** A past order by its number, which may hold anything: in a body, where no log of addresses keeps it. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/orders/one"), checkOneOrder);
    if ("refusal" in body) return body.refusal;
    const [found] = await readOrders(sharedPool(), { number: body.value.order });
    return found ? jsonAnswer(found) : problemAnswer(404, phrase("There is no such order"));
  });
