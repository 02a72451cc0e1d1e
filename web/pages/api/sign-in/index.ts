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
import { signIn } from "../../../../server/people/sign-in.ts";
import { checkSignIn } from "../../../../server/validation/documents.ts";

/** Signs in by name and password, and by a code where there is a second factor: 401 with `wants: "code"` asks for one. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const caller = callerOf(request);
    if (!caller.isPrivate) return NOT_PRIVATE;
    const body = await readBody(request, largest("/api/sign-in"), checkSignIn);
    if ("refusal" in body) return body.refusal;
    const came = await signIn(sharedPool(), body.value, caller);
    if ("session" in came) return withHeader(jsonAnswer({}), "set-cookie", setCookie(came.session));
    switch (came.refused) {
      case "wait":
        return withHeader(
          problemAnswer(429, phrase("Too many tries: wait {wait} seconds", { wait: came.seconds })),
          "retry-after",
          String(came.seconds),
        );
      case "code-wanted":
        return problemAnswer(401, phrase("Type the code that your app shows"), { extra: { wants: "code" } });
      case "code-wrong":
        return problemAnswer(401, phrase("That code does not hold, or was used already"), { extra: { wants: "code" } });
      case "wrong":
        return problemAnswer(401, phrase("Name and password do not go together"));
    }
  });
