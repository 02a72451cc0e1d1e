import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { readDraft } from "../../../../server/draft/read-draft.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { handle } from "../../../../server/http/handle.ts";

export const GET: APIRoute = () => handle(async () => jsonAnswer(await readDraft(sharedPool())));
