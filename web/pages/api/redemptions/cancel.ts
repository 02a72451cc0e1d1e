import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { handle, jsonResponse } from "../../../../server/http/handle.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { checkCancel, giveBack } from "../../../../server/redemptions/ledger.ts";

/** Gives back what an order has claimed. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, 4096, checkCancel);
    if ("refusal" in body) return body.refusal;
    return jsonResponse(await giveBack(sharedPool(), body.value.order));
  });
