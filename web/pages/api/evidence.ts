import type { APIRoute } from "astro";
import { sharedPool } from "../../../server/database/pool.ts";
import { answerEvidence } from "../../../server/evidence/answer-evidence.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { checkAskEvidence } from "../../../server/validation/documents.ts";

/** What past orders say: see `server/evidence/answer-evidence.ts`. Nothing is written. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/evidence"), checkAskEvidence);
    return "refusal" in body ? body.refusal : answerEvidence(sharedPool(), body.value);
  });
