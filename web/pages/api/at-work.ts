import type { APIRoute } from "astro";
import { sharedPool } from "../../../server/database/pool.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { personOf } from "../../../server/http/caller.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { atWork } from "../../../server/people/at-work.ts";
import { checkAtWork } from "../../../server/validation/documents.ts";

/** Says where one is; answers who else is at work, and where. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/at-work"), checkAtWork);
    if ("refusal" in body) return body.refusal;
    return jsonAnswer({ others: await atWork(sharedPool(), personOf(request), body.value) });
  });
