import type { APIRoute } from "astro";
import { phrase } from "../../../core/phrases/phrase.ts";
import { quote } from "../../../core/quote/quote.ts";
import { checkQuoteRequest } from "../../../core/validation/documents.ts";
import { ownCarriers, withCarrierAnswers } from "../../../server/carriers/ask-carriers.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { handle, jsonResponse } from "../../../server/http/handle.ts";
import { problemDocument } from "../../../server/http/problem-document.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { withUses } from "../../../server/redemptions/ledger.ts";
import { withBooked } from "../../../server/redemptions/window-claims.ts";
import { releaseInForce } from "../../../server/releases/releases.ts";

const LARGEST_REQUEST = 256 * 1024;

/** Quotes a shop's cart from the latest release. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, LARGEST_REQUEST, checkQuoteRequest);
    if ("refusal" in body) return body.refusal;
    const release = await releaseInForce(sharedPool());
    if (!release)
      return problemDocument(404, phrase("Nothing is released yet"), {
        detail: phrase("Release the draft, then ask again."),
      });
    const { offers, options } = release.compiled.plan;
    const [asked, { uses }, { booked }] = await Promise.all([
      withCarrierAnswers(release.compiled, body.value, ownCarriers()),
      withUses(sharedPool(), offers, body.value),
      withBooked(sharedPool(), options, body.value),
    ]);
    const result = quote(release.compiled, { ...asked, ...(uses ? { uses } : {}), ...(booked ? { booked } : {}) });
    if ("problems" in result)
      return problemDocument(422, phrase("The request cannot be quoted"), { problems: result.problems });
    for (const { text, locale, why } of result.unsaid ?? [])
      console.error(`release ${release.number}: left out, since ${why}: ${JSON.stringify(text)} (${locale})`);
    const response = jsonResponse(result.quote);
    response.headers.set("summant-release", String(release.number));
    return response;
  });
