import type { APIRoute } from "astro";
import { askCarriers, ownCarriers } from "../../../server/carriers/ask-carriers.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { checkAskCarriers } from "../../../server/validation/documents.ts";

/** The carriers that a plan can ask. */
export const GET: APIRoute = () =>
  handle(async () => jsonAnswer(ownCarriers().map(({ id, name, services }) => ({ id, name, services }))));

/** Asks carriers for a preview; `moods` makes simulated ones slow or failing. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/carriers"), checkAskCarriers);
    if ("refusal" in body) return body.refusal;
    const { questions, moods } = body.value;
    return jsonAnswer({ replies: await askCarriers(questions, ownCarriers(moods)) });
  });
