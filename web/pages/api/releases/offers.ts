import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { byOf } from "../../../../server/http/caller.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { releaseAnswer } from "../../../../server/releases/answer-release.ts";
import { switchOffer } from "../../../../server/releases/make-release.ts";
import { checkSwitchOffer } from "../../../../server/validation/documents.ts";

/** Switches one offer off, or on again, in what shops get now. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/releases/offers"), checkSwitchOffer);
    if ("refusal" in body) return body.refusal;
    const { offer, on } = body.value;
    return releaseAnswer(await switchOffer(sharedPool(), offer, on, byOf(request).name), 201);
  });
