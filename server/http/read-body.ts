import { phrase } from "../../core/phrases/phrase.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { readJson } from "../validation/read-json.ts";
import { problemDocument } from "./problem-document.ts";

/**
 * Reads a JSON body of at most `limit` bytes and checks it. Anything else is a problem document: 413 too large (reading
 * stops there), 415 not JSON by its content type, 400 not JSON, 422 JSON of the wrong form.
 */
export async function readBody<T>(
  request: Request,
  limit: number,
  check: (data: unknown) => Checked<T>,
): Promise<{ value: T } | { refusal: Response }> {
  const type = request.headers.get("content-type")?.split(";")[0]?.trim().toLowerCase();
  if (type !== "application/json") {
    return {
      refusal: problemDocument(415, phrase("The body must be JSON"), {
        detail: phrase("Send content-type: application/json."),
      }),
    };
  }
  const text = await readText(request, limit);
  if (text === null)
    return {
      refusal: problemDocument(413, phrase("The body is too large"), {
        detail: phrase("At most {limit} bytes are read.", { limit }),
      }),
    };
  const json = readJson(text);
  if ("problems" in json)
    return { refusal: problemDocument(400, phrase("The body is not JSON"), { problems: json.problems }) };
  const checked = check(json.value);
  if ("problems" in checked)
    return { refusal: problemDocument(422, phrase("The body has the wrong form"), { problems: checked.problems }) };
  return checked;
}

async function readText(request: Request, limit: number): Promise<string | null> {
  if (Number(request.headers.get("content-length") ?? 0) > limit) return null;
  const decoder = new TextDecoder();
  let text = "";
  let size = 0;
  if (!request.body) return text;
  const reader = request.body.getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return text + decoder.decode();
    size += value.byteLength;
    if (size > limit) {
      await reader.cancel();
      return null;
    }
    text += decoder.decode(value, { stream: true });
  }
}
