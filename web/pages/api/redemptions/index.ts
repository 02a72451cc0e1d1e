import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { handle } from "../../../../server/http/handle.ts";
import { usesOf } from "../../../../server/redemptions/ledger.ts";

/** How often each offer has been used. Claims are answered by the front: see `server/http/front.ts`. */
export const GET: APIRoute = () => handle(async () => jsonAnswer({ uses: await usesOf(sharedPool()) }));
