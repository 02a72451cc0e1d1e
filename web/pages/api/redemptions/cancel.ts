import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { handle, jsonResponse } from "../../../../server/http/handle.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { giveBack } from "../../../../server/redemptions/ledger.ts";
import { checkCancel } from "../../../../server/validation/documents.ts";

/** Gives back what an order has claimed. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, 4096, checkCancel);
    if ("refusal" in body) return body.refusal;
    return jsonResponse(await giveBack(sharedPool(), body.value.order));
  });
