import type { IncomingHttpHeaders } from "node:http";
import { phrase } from "../../core/phrases/phrase.ts";
import { type Answer, withHeader } from "./answer.ts";
import { methodsAt } from "./endpoints.ts";
import { problemAnswer } from "./problem-document.ts";
import { tooLarge } from "./read-body.ts";

type Asked = { readonly method: string; readonly url: string; readonly headers: IncomingHttpHeaders };

/** Names that only this machine itself goes by. */
export const LOOPBACK: readonly string[] = ["localhost", "127.0.0.1", "[::1]"];

/**
 * What every request has to pass before anything looks at it.
 *
 * @param hosts names it may be asked by, besides this machine's own; a page on any other name that leads here is refused, and so are
 * writes from pages of other sites, other ports of this machine among them
 * @returns why it is refused; undefined when it passes
 * @example gates(["shop.example"])({ method: "GET", url: "/", headers: { host: "evil.example" } })?.status // 421
 */
export function gates(hosts: readonly string[]): (asked: Asked) => Answer | undefined {
  const allowed = new Set([...LOOPBACK, ...hosts.map((name) => name.toLowerCase())]);
  return (asked) => wrongHost(asked, allowed) ?? fromElsewhere(asked) ?? wrongPath(asked) ?? wrongMethod(asked);
}

/** @example nameOf("LOCALHOST:4173") // "localhost" */
export function nameOf(host: string): string {
  const colon = host.lastIndexOf(":");
  // Every request is asked for it: there is a port on most, and no need of a pattern to see it.
  for (let i = colon + 1; i < host.length; i += 1) if (!isDigit(host.charCodeAt(i))) return host.toLowerCase();
  return (colon < 0 ? host : host.slice(0, colon)).toLowerCase();
}

const isDigit = (code: number) => code >= 0x30 && code <= 0x39;

function wrongHost({ headers: { host = "" } }: Asked, allowed: ReadonlySet<string>): Answer | undefined {
  if (allowed.has(nameOf(host))) return undefined;
  return problemAnswer(421, phrase("This is not reached by that name"), {
    detail: phrase("Names that it may be reached by are listed in SUMMANT_HOSTS."),
  });
}

const READS: ReadonlySet<string> = new Set(["GET", "HEAD"]);
const OWN_SITES: ReadonlySet<string | undefined> = new Set([undefined, "same-origin", "none"]);

/** Browsers say where a write comes from; what is no browser says nothing. */
function fromElsewhere({ method, headers }: Asked): Answer | undefined {
  if (READS.has(method)) return undefined;
  const site = headers["sec-fetch-site"];
  const isOwn = OWN_SITES.has(Array.isArray(site) ? site.join() : site) && isOwnOrigin(headers);
  return isOwn ? undefined : problemAnswer(403, phrase("Pages of other sites may change nothing here"));
}

function isOwnOrigin({ origin, host }: IncomingHttpHeaders): boolean {
  if (origin === undefined) return true;
  return URL.canParse(origin) && new URL(origin).host === host?.toLowerCase().replace(/:(80|443)$/, "");
}

function wrongPath({ url }: Asked): Answer | undefined {
  try {
    if (url.includes("%")) decodeURI(url);
    if (url.startsWith("/")) return undefined;
  } catch {
    // Said below.
  }
  return problemAnswer(400, phrase("The address cannot be read"));
}

/** Of an endpoint by what it takes; of pages and files, that they are read. */
function wrongMethod({ method, url, headers }: Asked): Answer | undefined {
  const path = pathOf(url);
  const methods = methodsAt(path);
  // What is no endpoint is told so by whoever answers for all others.
  const allowed = methods ? Object.keys(methods) : ["GET"];
  if (!allowed.includes(method === "HEAD" ? "GET" : method)) {
    const named = allowed.includes("GET") ? [...allowed, "HEAD"] : allowed;
    const detail = phrase("Allowed: {methods}.", { methods: named.join(", ") });
    return withHeader(problemAnswer(405, phrase("That cannot be done here"), { detail }), "allow", named.join(", "));
  }
  const largest = method === "POST" ? methods?.POST?.largest : undefined;
  return largest !== undefined && Number(headers["content-length"] ?? 0) > largest ? tooLarge(largest) : undefined;
}

const [QUESTION_MARK, NUMBER_SIGN] = [0x3f, 0x23];

/** An address without its query. @example pathOf("/offers?x=1") // "/offers" */
export function pathOf(url: string): string {
  for (let i = 0; i < url.length; i += 1) {
    const code = url.charCodeAt(i);
    if (code === QUESTION_MARK || code === NUMBER_SIGN) return url.slice(0, i);
  }
  return url;
}
