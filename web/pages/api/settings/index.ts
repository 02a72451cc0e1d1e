import type { APIRoute } from "astro";
import { inTransaction, sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { byOf } from "../../../../server/http/caller.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { logEvent } from "../../../../server/log/events.ts";
import { readSettings, settingsChanged, writeSettings } from "../../../../server/settings/settings.ts";
import { checkSettings } from "../../../../server/validation/documents.ts";

export const GET: APIRoute = () => handle(async () => jsonAnswer(await readSettings(sharedPool())));

/** All settings at once, as they are to be. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/settings"), checkSettings);
    if ("refusal" in body) return body.refusal;
    await inTransaction(sharedPool(), async (connection) => {
      const before = await readSettings(connection);
      await writeSettings(connection, body.value);
      for (const line of settingsChanged(before, body.value))
        await logEvent(connection, "settings-set", byOf(request), line);
    });
    return jsonAnswer(body.value);
  });
