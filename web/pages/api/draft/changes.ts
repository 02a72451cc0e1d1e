import type { APIRoute } from "astro";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { applyChangeSet } from "../../../../server/draft/change-set.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { byOf } from "../../../../server/http/caller.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { problemAnswer } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { checkChangeSet } from "../../../../server/validation/documents.ts";

/** Applies a change-set to the draft: 409 with both versions when it saw an older one. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/draft/changes"), checkChangeSet);
    if ("refusal" in body) return body.refusal;
    const result = await applyChangeSet(sharedPool(), body.value, byOf(request).name);
    if ("conflicts" in result) {
      return problemAnswer(409, phrase("Someone else changed this first"), {
        detail: phrase("Each conflict names the version that is there now and the one that was sent."),
        extra: { conflicts: result.conflicts },
      });
    }
    if ("problems" in result)
      return problemAnswer(422, phrase("The change would break the plan"), { problems: result.problems });
    return jsonAnswer(result);
  });
