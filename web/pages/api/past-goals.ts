import type { APIRoute } from "astro";
import { sharedPool } from "../../../server/database/pool.ts";
import { releasedGoals, statedGoals, stateGoals } from "../../../server/evidence/past-goals.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { checkStateGoals } from "../../../server/validation/documents.ts";

/** The goals that markets have had: those stated, and those that releases tell of. */
async function told() {
  const pool = sharedPool();
  return jsonAnswer({ stated: await statedGoals(pool), released: await releasedGoals(pool, Date.now()) });
}

export const GET: APIRoute = () => handle(told);

/** Other goals in the place of those stated. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/past-goals"), checkStateGoals);
    if ("refusal" in body) return body.refusal;
    await stateGoals(sharedPool(), body.value.goals);
    return told();
  });
