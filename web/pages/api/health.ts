import type { APIRoute } from "astro";
import { sharedPool } from "../../../server/database/pool.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { handle } from "../../../server/http/handle.ts";

export const GET: APIRoute = () =>
  handle(async () => {
    await sharedPool().query("SELECT 1");
    return jsonAnswer({ ok: true });
  });
