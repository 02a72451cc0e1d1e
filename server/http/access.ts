import type { IncomingMessage } from "node:http";
import type { Pool } from "mysql2/promise";
import { phrase } from "../../core/phrases/phrase.ts";
import { isUnreachable } from "../database/pool.ts";
import type { KeyGate } from "../keys/key-gate.ts";
import { mayAs, type Person } from "../people/person.ts";
import { personOf } from "../people/sessions.ts";
import { type Answer, withHeader } from "./answer.ts";
import type { Caller } from "./caller.ts";
import { type Access, accessTo } from "./endpoints.ts";
import { pathOf } from "./gates.ts";
import { cameFrom } from "./origin-of.ts";
import { problemAnswer } from "./problem-document.ts";
import { cookieOf } from "./session-cookie.ts";

/**
 * What may go on, with who is written down as asking and how the desk is told, or what is answered instead; `unknown` is what nobody
 * answers: a file, or nothing.
 */
export type Let = { readonly by: string; readonly caller: () => Caller } | { readonly refusal: Answer } | "unknown";

type Guarded = Exclude<Access, string>;

/** What a page asks by itself keeps nobody signed in. */
const BY_ITSELF: ReadonlySet<string> = new Set(["/api/at-work"]);
/** What somebody who still owes a second factor may ask: what it takes to set one up. */
const OWING: ReadonlySet<string> = new Set(["GET /api/account", "POST /api/account", "GET /api/settings"]);

/**
 * Lets in who may: by the session of a person, whose role has to reach, or by a shop's key, which has to have the right.
 *
 * @param proxies see `cameFrom`
 */
export function accessGate(pool: Pool, keys: KeyGate, proxies: ReadonlySet<string>) {
  return async (request: IncomingMessage): Promise<Let> => {
    const { method = "", url = "", headers } = request;
    const path = pathOf(url);
    const access = accessTo(method, path);
    if (access === "unknown") return access;
    const { authorization } = headers;
    // Of people before anything is waited for: they may have gone by then. Shops ask too often, and only the desk is told.
    const from = authorization === undefined ? cameFrom(request, proxies) : null;
    const letIn = (by: string, person: Person | null = null) => ({
      by,
      caller: (): Caller => ({ ...(from ?? cameFrom(request, proxies)), person, by }),
    });
    if (access === "open") return letIn("");
    if (authorization !== undefined) {
      const asked = await keys(authorization, access.right);
      return "refusal" in asked ? asked : letIn(asked.by);
    }
    const secret = cookieOf(headers.cookie);
    try {
      const person = secret === undefined ? null : await personOf(pool, secret, !BY_ITSELF.has(path));
      const refusal = refusedTo(person, access, request);
      return refusal || !person ? { refusal: refusal ?? SIGN_IN } : letIn(person.name, person);
    } catch (error) {
      // A page holds nothing of the store: it says itself that the rest cannot be had.
      if (access.isPage && isUnreachable(error)) return letIn("");
      throw error;
    }
  };
}

function refusedTo(
  person: Person | null,
  access: Guarded,
  { method = "", url = "" }: { readonly method?: string | undefined; readonly url?: string | undefined },
): Answer | null {
  if (!person) return access.isPage ? toSignIn(url) : SIGN_IN;
  if (!mayAs(person.role, access.role))
    return problemAnswer(403, phrase("Your role does not allow that"), {
      detail: phrase("It takes the role: {role}. Yours is: {yours}.", { role: access.role, yours: person.role }),
    });
  if (person.owesSecondFactor && !access.isPage && !OWING.has(`${method} ${pathOf(url)}`))
    return problemAnswer(403, phrase("Set up a second factor first"), {
      detail: phrase("Whoever runs this store asks for it; see Your account."),
      extra: { owes: "second-factor" },
    });
  return null;
}

const SIGN_IN = withHeader(
  problemAnswer(401, phrase("Sign in first"), { detail: phrase("People sign in; shops' servers send their key.") }),
  "www-authenticate",
  "Bearer",
);

/** Once signed in, it goes on to where it was meant to. */
const toSignIn = (url: string): Answer => ({
  status: 303,
  headers: {
    location: url === "/" ? "/sign-in" : `/sign-in?to=${encodeURIComponent(url)}`,
    "cache-control": "no-store",
  },
  body: "",
});
