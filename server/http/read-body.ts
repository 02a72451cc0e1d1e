import { isUtf8 } from "node:buffer";
import type { IncomingMessage } from "node:http";
import { phrase } from "../../core/phrases/phrase.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { readJson } from "../validation/read-json.ts";
import type { Answer } from "./answer.ts";
import { problemAnswer } from "./problem-document.ts";

type Body<T> = { value: T } | { refusal: Answer };

/**
 * Reads a JSON body of at most `limit` bytes and checks it. Anything else is a problem document: 413 too large (reading
 * stops there), 415 not JSON by its content type, 400 not JSON or not UTF-8, 422 JSON of the wrong form.
 */
export async function readBody<T>(
  request: Request,
  limit: number,
  check: (data: unknown) => Checked<T>,
): Promise<Body<T>> {
  const { headers } = request;
  const refusal = refusedUnread(headers.get("content-type"), headers.get("content-length"), limit);
  const body = refusal ? { refusal } : bodyOf(request, await bytesOf(request, limit), limit, check);
  return body ?? { refusal: problemAnswer(400, phrase("The body did not come to its end")) };
}

/** The same of a request as node has it; null when the caller went away before the end of it. */
export async function readIncoming<T>(
  request: IncomingMessage,
  limit: number,
  check: (data: unknown) => Checked<T>,
): Promise<Body<T> | null> {
  const { headers } = request;
  const refusal = refusedUnread(headers["content-type"], headers["content-length"], limit);
  return refusal ? { refusal } : bodyOf(request, await incomingBytes(request, limit), limit, check);
}

/** What came of reading a body. */
type Bytes = Buffer | "too large" | "gone";

const JSON_TYPE = "application/json";

/** What can be refused by the headers alone. */
function refusedUnread(
  type: string | null | undefined,
  length: string | null | undefined,
  limit: number,
): Answer | undefined {
  if (type !== JSON_TYPE && type?.split(";")[0]?.trim().toLowerCase() !== JSON_TYPE)
    return problemAnswer(415, phrase("The body must be JSON"), {
      detail: phrase("Send content-type: application/json."),
    });
  return Number(length ?? 0) > limit ? tooLarge(limit) : undefined;
}

/** The answer to a body of more bytes than are taken. */
export const tooLarge = (limit: number): Answer =>
  problemAnswer(413, phrase("The body is too large"), {
    detail: phrase("At most {limit} bytes are read.", { limit }),
  });

/** What the bytes say; null where they did not come to their end. */
function bodyOf<T>(
  { method = "", url = "" }: { readonly method?: string | undefined; readonly url?: string | undefined },
  bytes: Bytes,
  limit: number,
  check: (data: unknown) => Checked<T>,
): Body<T> | null {
  if (bytes === "gone") {
    console.error(`${method} ${url}: the caller went away before the end of the body`);
    return null;
  }
  if (bytes === "too large") return { refusal: tooLarge(limit) };
  const notJson = phrase("The body is not JSON");
  if (!isUtf8(bytes)) return { refusal: problemAnswer(400, notJson, { detail: phrase("It is not UTF-8.") }) };
  const json = readJson(bytes.toString("utf8"));
  if ("problems" in json) return { refusal: problemAnswer(400, notJson, { problems: json.problems }) };
  const checked = check(json.value);
  if ("problems" in checked)
    return { refusal: problemAnswer(422, phrase("The body has the wrong form"), { problems: checked.problems }) };
  return checked;
}

async function bytesOf({ body }: Request, limit: number): Promise<Bytes> {
  const parts: Uint8Array[] = [];
  if (!body) return NOTHING;
  const reader = body.getReader();
  try {
    for (let size = 0; ; ) {
      const { done, value } = await reader.read();
      if (done) return Buffer.concat(parts);
      size += value.byteLength;
      if (size > limit) {
        await reader.cancel();
        return "too large";
      }
      parts.push(value);
    }
  } catch {
    return "gone";
  }
}

const NOTHING = Buffer.alloc(0);

function incomingBytes(request: IncomingMessage, limit: number): Promise<Bytes> {
  // It may have gone while it was found out who asks.
  if (request.destroyed) return Promise.resolve("gone");
  // By then most have come whole, and nothing has to be waited for.
  if (request.complete && request.readableFlowing === null) {
    const whole: Buffer | null = request.read();
    return Promise.resolve(whole && whole.byteLength > limit ? "too large" : (whole ?? NOTHING));
  }
  return new Promise((resolve) => {
    const parts: Buffer[] = [];
    let size = 0;
    request.on("data", (part: Buffer) => {
      size += part.byteLength;
      if (size <= limit) parts.push(part);
      else {
        request.pause();
        resolve("too large");
      }
    });
    request.once("end", () => resolve(parts.length === 1 && parts[0] ? parts[0] : Buffer.concat(parts)));
    request.once("close", () => resolve("gone"));
    request.once("error", () => resolve("gone"));
  });
}
