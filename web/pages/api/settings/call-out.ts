import type { APIRoute } from "astro";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { problemAnswer } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { callOut } from "../../../../server/outgoing/call-out.ts";
import { readSettings } from "../../../../server/settings/settings.ts";
import { checkCallOut } from "../../../../server/validation/documents.ts";

/** Tries whether the server reaches an address: what it answers with, and nothing of what it says. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/settings/call-out"), checkCallOut);
    if ("refusal" in body) return body.refusal;
    const { outgoing } = await readSettings(sharedPool());
    const came = await callOut(body.value.address, outgoing);
    return "problem" in came
      ? problemAnswer(422, phrase("It was not reached"), { problems: [{ path: "/address", message: came.problem }] })
      : jsonAnswer({ status: came.status, bytes: came.body.byteLength });
  });
