import type { APIRoute } from "astro";
import { sharedPool } from "../../../../../server/database/pool.ts";
import { largest } from "../../../../../server/http/endpoints.ts";
import { handle } from "../../../../../server/http/handle.ts";
import { readBody } from "../../../../../server/http/read-body.ts";
import { answerOrders } from "../../../../../server/orders/answer-orders.ts";
import { checkSendOrders } from "../../../../../server/validation/documents.ts";

/** Takes orders from a shop, all of a call or none; the same order again changes nothing, another of its number takes its place. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/shop/v1/orders"), checkSendOrders);
    return "refusal" in body ? body.refusal : answerOrders(sharedPool(), body.value.orders);
  });
