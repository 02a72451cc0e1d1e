import type { APIRoute } from "astro";
import { sharedPool } from "../../../server/database/pool.ts";
import { handle, jsonResponse } from "../../../server/http/handle.ts";

export const GET: APIRoute = () =>
  handle(async () => {
    await sharedPool().query("SELECT 1");
    return jsonResponse({ ok: true });
  });
