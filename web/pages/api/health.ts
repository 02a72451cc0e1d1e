import type { APIRoute } from "astro";
import { sharedPool } from "../../../server/database/pool.ts";
import { answer, jsonAnswer } from "../../../server/http/answer.ts";

export const GET: APIRoute = () =>
  answer(async () => {
    await sharedPool().query("SELECT 1");
    return jsonAnswer({ ok: true });
  });
