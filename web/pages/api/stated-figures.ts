import type { APIRoute } from "astro";
import { sharedPool } from "../../../server/database/pool.ts";
import { statedFigures, stateFigure } from "../../../server/evidence/stated-figures.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { checkStateFigure } from "../../../server/validation/documents.ts";

/** What the store says of its margins, its deliveries and its shoppers. */
export const GET: APIRoute = () => handle(async () => jsonAnswer(await statedFigures(sharedPool())));

/** One figure more, another in its place, or one less. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/stated-figures"), checkStateFigure);
    if ("refusal" in body) return body.refusal;
    await stateFigure(sharedPool(), body.value);
    return jsonAnswer(await statedFigures(sharedPool()));
  });
