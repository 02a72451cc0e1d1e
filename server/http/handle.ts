import { phrase } from "../../core/phrases/phrase.ts";
import { isUnreachable } from "../database/pool.ts";
import { problemDocument } from "./problem-document.ts";

export const jsonResponse = (body: unknown, status = 200): Response =>
  new Response(JSON.stringify(body), {
    status,
    headers: { "content-type": "application/json", "cache-control": "no-store" },
  });

/** Runs an endpoint's work; what goes wrong inside becomes a problem document that tells the caller whether to try again. */
export async function handle(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    console.error(error);
    if (!isUnreachable(error))
      return problemDocument(500, phrase("Something went wrong here"), {
        detail: phrase("The server's log says what."),
      });
    const response = problemDocument(503, phrase("The database cannot be reached"), {
      detail: phrase("Try again shortly; a change may or may not have been saved."),
    });
    response.headers.set("retry-after", "2");
    return response;
  }
}
