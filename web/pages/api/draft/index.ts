import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { readDraft } from "../../../../server/draft/read-draft.ts";
import { answer, jsonAnswer } from "../../../../server/http/answer.ts";

export const GET: APIRoute = () => answer(async () => jsonAnswer(await readDraft(sharedPool())));
