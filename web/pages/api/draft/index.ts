import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { readDraft } from "../../../../server/draft/read-draft.ts";
import { handle, jsonResponse } from "../../../../server/http/handle.ts";

export const GET: APIRoute = () => handle(async () => jsonResponse(await readDraft(sharedPool())));
