import type { APIRoute } from "astro";
import { phrase } from "../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { byOf } from "../../../server/http/caller.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { problemAnswer } from "../../../server/http/problem-document.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { listKeys, makeKey, revokeKey } from "../../../server/keys/keys.ts";
import { checkChangeKeys } from "../../../server/validation/documents.ts";

/** Every key there is or was, without its secret. */
export const GET: APIRoute = () => handle(async () => jsonAnswer({ keys: await listKeys(sharedPool()) }));

/** Makes a key, whose secret is answered this once; or revokes one. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/keys"), checkChangeKeys);
    if ("refusal" in body) return body.refusal;
    const [pool, by, asked] = [sharedPool(), byOf(request), body.value];
    if (asked.do === "make") return jsonAnswer({ secret: await makeKey(pool, asked, by) }, 201);
    const wasThere = await revokeKey(pool, asked.key, by);
    return wasThere ? jsonAnswer({}) : problemAnswer(404, phrase("No such key holds"));
  });
