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
  endWith(response, body, isOctets ? "latin1" : "utf8");
}

/**
 * Ends an answer with a text, which goes out in one piece with the headers: what `response.end(body)` writes is a list of that and of an
 * empty one behind it, and a list is put together once more.
 */
function endWith(response: ServerResponse, body: string, encoding: "latin1" | "utf8"): void {
  const { socket } = response;
  // Where several were asked at once, it waits for the answers before it.
  if (!socket || socket.writableCorked > 0) {
    response.end(body, encoding);
    return;
  }
  socket.cork();
  response.write(body, encoding);
  socket.uncork();
  response.end();
}
