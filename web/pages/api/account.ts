import type { APIRoute } from "astro";
import { phrase } from "../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { type Answer, jsonAnswer, withHeader } from "../../../server/http/answer.ts";
import { byOf, personOf } from "../../../server/http/caller.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { problemAnswer } from "../../../server/http/problem-document.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { dropCookie } from "../../../server/http/session-cookie.ts";
import { logEvent } from "../../../server/log/events.ts";
import {
  accountOf,
  beginFactor,
  changePassword,
  type NotChanged,
  switchFactorOff,
  switchFactorOn,
} from "../../../server/people/account.ts";
import { endSession, endSessions } from "../../../server/people/sessions.ts";
import { checkChangeAccount } from "../../../server/validation/documents.ts";

/** Who has signed in, and where else. */
export const GET: APIRoute = ({ request }) =>
  handle(async () => jsonAnswer(await accountOf(sharedPool(), personOf(request))));

const changed = (came: { done: true } | NotChanged): Answer =>
  "done" in came
    ? jsonAnswer({})
    : problemAnswer(422, phrase("Nothing was changed"), { problems: [{ path: came.at, message: came.why }] });

/** What somebody changes of their own. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/account"), checkChangeAccount);
    if ("refusal" in body) return body.refusal;
    const [pool, person, asked] = [sharedPool(), personOf(request), body.value];
    const by = byOf(request);
    const { address } = by;
    switch (asked.do) {
      case "sign-out":
        await endSession(pool, person.id, person.session);
        await logEvent(pool, "signed-out", by);
        return withHeader(jsonAnswer({}), "set-cookie", dropCookie());
      case "end-session":
        await endSession(pool, person.id, asked.session);
        await logEvent(pool, "sessions-ended", by);
        return jsonAnswer({});
      case "end-other-sessions":
        await endSessions(pool, person.id, person.session);
        await logEvent(pool, "sessions-ended", by);
        return jsonAnswer({});
      case "set-password":
        return changed(await changePassword(pool, person, asked, address));
      case "begin-factor":
        return jsonAnswer(beginFactor(person));
      case "factor-on":
        return changed(await switchFactorOn(pool, person, asked, address));
      case "factor-off":
        return changed(await switchFactorOff(pool, person, asked.current, address));
    }
  });
