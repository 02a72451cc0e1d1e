import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { handle, jsonResponse } from "../../../../server/http/handle.ts";
import { problemDocument } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { listReleases, releaseDraft } from "../../../../server/releases/releases.ts";
import { checkReleaseRequest } from "../../../../server/validation/documents.ts";

const REFUSALS = {
  "nothing-changed": "The draft is the same as the latest release",
  empty: "The draft is empty",
  "draft-moved": "The draft has changed since it was looked at",
  unsound: "The draft cannot be released as it is",
} as const;

export const GET: APIRoute = () => handle(async () => jsonResponse({ releases: await listReleases(sharedPool()) }));

/** Releases the draft as it was seen. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, 1024, checkReleaseRequest);
    if ("refusal" in body) return body.refusal;
    const result = await releaseDraft(sharedPool(), body.value.sequence, "local");
    if ("release" in result) return jsonResponse(result.release, 201);
    const { refused, sequence } = result;
    const problems = refused === "unsound" ? { problems: result.problems } : {};
    return problemDocument(409, REFUSALS[refused], { ...problems, extra: { sequence } });
  });
