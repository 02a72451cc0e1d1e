import type { APIRoute } from "astro";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer, withHeader } from "../../../../server/http/answer.ts";
import { callerOf } from "../../../../server/http/caller.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { NOT_PRIVATE } from "../../../../server/http/not-private.ts";
import { problemAnswer } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { setCookie } from "../../../../server/http/session-cookie.ts";
import { linkOf } from "../../../../server/people/one-time-links.ts";
import { redeem } from "../../../../server/people/sign-in.ts";
import { checkUseLink } from "../../../../server/validation/documents.ts";

const ENDED = problemAnswer(410, phrase("That link works no more"), {
  detail: phrase("Each works once, and for a time. Ask whoever runs this store for another."),
});

/** Looks whose a link is, or uses it up. What reads links on their way, as mail programs do, uses none up. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const caller = callerOf(request);
    if (!caller.isPrivate) return NOT_PRIVATE;
    const body = await readBody(request, largest("/api/sign-in/link"), checkUseLink);
    if ("refusal" in body) return body.refusal;
    const asked = body.value;
    if (asked.do === "look") {
      const link = await linkOf(sharedPool(), asked.token);
      return link ? jsonAnswer({ name: link.name, kind: link.kind }) : ENDED;
    }
    const came = await redeem(sharedPool(), asked.token, asked.password, caller);
    if ("session" in came) return withHeader(jsonAnswer({ signedIn: true }), "set-cookie", setCookie(came.session));
    if ("done" in came) return jsonAnswer({ signedIn: false });
    return came.refused === "ended"
      ? ENDED
      : problemAnswer(422, phrase("That cannot be a password here"), {
          problems: [{ path: "/password", message: came.why }],
        });
  });
