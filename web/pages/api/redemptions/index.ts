import type { APIRoute } from "astro";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { handle, jsonResponse } from "../../../../server/http/handle.ts";
import { problemDocument } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { claim, usesOf } from "../../../../server/redemptions/ledger.ts";
import { releaseInForce } from "../../../../server/releases/releases.ts";
import { checkClaim } from "../../../../server/validation/documents.ts";

const LARGEST_CLAIM = 16 * 1024;

/** How often each offer has been used. */
export const GET: APIRoute = () => handle(async () => jsonResponse({ uses: await usesOf(sharedPool()) }));

/** Claims offers for an order: all or none. Asked again, it answers the same and counts nothing twice. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, LARGEST_CLAIM, checkClaim);
    if ("refusal" in body) return body.refusal;
    const { offers, window } = body.value;
    if (offers.length === 0 && !window)
      return problemDocument(422, phrase("There is nothing to claim"), {
        problems: [{ path: "/offers", message: phrase("names no offer, and there is no window either") }],
      });
    const release = await releaseInForce(sharedPool());
    if (!release) return problemDocument(404, phrase("Nothing is released yet"));
    const result = await claim(sharedPool(), release.compiled.plan, body.value);
    if ("refused" in result) {
      const { refused } = result;
      const [path, id] = "offer" in refused ? ["/offers", refused.offer] : ["/window", refused.option];
      return problemDocument(409, phrase("The offers cannot be claimed"), {
        problems: [{ path, message: phrase('"{id}": {reason}', { id, reason: refused.reason }) }],
        extra: { refused },
      });
    }
    return jsonResponse(result);
  });
