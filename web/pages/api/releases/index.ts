import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { byOf } from "../../../../server/http/caller.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { releaseAnswer } from "../../../../server/releases/answer-release.ts";
import { releaseAsked } from "../../../../server/releases/asked-releases.ts";
import { releaseDraft } from "../../../../server/releases/make-release.ts";
import { listReleases } from "../../../../server/releases/releases.ts";
import { checkReleaseRequest } from "../../../../server/validation/documents.ts";

/** All releases, and the one that waits for a second person, where somebody has asked for the draft as it is. */
export const GET: APIRoute = () =>
  handle(async () => {
    const pool = sharedPool();
    return jsonAnswer({ releases: await listReleases(pool), asked: await releaseAsked(pool) });
  });

/** Releases the draft as it was seen, at once or from a moment on. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/releases"), checkReleaseRequest);
    if ("refusal" in body) return body.refusal;
    const { sequence, ...wanted } = body.value;
    return releaseAnswer(await releaseDraft(sharedPool(), sequence, byOf(request).name, wanted), 201);
  });
