import type { IncomingMessage, ServerResponse } from "node:http";
import type { Answer } from "./answer.ts";

/** Headers of every answer; pages have a whole content security policy in place of this one: Astro's, which knows the hashes of its scripts. */
const EVERYWHERE = Object.entries({
  "x-content-type-options": "nosniff",
  "x-frame-options": "DENY",
  "content-security-policy": "frame-ancestors 'none'",
  "referrer-policy": "same-origin",
  "cross-origin-opener-policy": "same-origin",
  "cross-origin-resource-policy": "same-origin",
  "permissions-policy": "camera=(), microphone=(), geolocation=()",
});
const EVERYWHERE_LISTED = EVERYWHERE.flat();

/** Sets them on an answer that someone else writes. */
export function setEverywhere(response: ServerResponse): void {
  for (const [name, value] of EVERYWHERE) response.setHeader(name, value);
}

/** Writes an answer. Where the body was not read to its end, the connection is closed: what is left of it would be taken for the next request. */
export function writeAnswer(
  request: IncomingMessage,
  response: ServerResponse,
  { status, headers, body, isOctets }: Answer,
): void {
  // As one list, which is written as it is.
  const written = ["content-length", String(isOctets ? body.length : Buffer.byteLength(body)), ...EVERYWHERE_LISTED];
  for (const [name, value] of Object.entries(headers)) written.push(name, value);
  if (!request.complete) written.push("connection", "close");
  response.writeHead(status, written);
  // As text: it goes out in one piece with the headers.
  response.end(body, isOctets ? "latin1" : "utf8");
}
