import type { APIRoute } from "astro";
import { checkQuoteRequest } from "../../../core/validation/documents.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { callerOf } from "../../../server/http/caller.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { answerSuggest } from "../../../server/shop/answer-suggest.ts";

/** Products that would bring a cart, asked about as a quote is, to the goals it is on the way to. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/suggest"), checkQuoteRequest);
    if ("refusal" in body) return body.refusal;
    return answerSuggest(sharedPool(), body.value, callerOf(request).person ? "draft" : "release");
  });
