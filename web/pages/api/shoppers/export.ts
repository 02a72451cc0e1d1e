import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { byOf } from "../../../../server/http/caller.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { logEvent } from "../../../../server/log/events.ts";
import { shopperData } from "../../../../server/shoppers/shopper-data.ts";
import { checkNamedShopper } from "../../../../server/validation/documents.ts";

/** All that is kept of one shopper. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/shoppers/export"), checkNamedShopper);
    if ("refusal" in body) return body.refusal;
    // Without whom: what is erased does not stay in the log.
    await logEvent(sharedPool(), "shopper-exported", byOf(request));
    return jsonAnswer(await shopperData(sharedPool(), body.value.shopper));
  });
