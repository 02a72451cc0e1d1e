import { phrase } from "../../core/phrases/phrase.ts";
import { isUnreachable } from "../database/pool.ts";
import { type Answer, toResponse, withHeader } from "./answer.ts";
import { problemAnswer } from "./problem-document.ts";

/** Seconds after which asking again may help. */
const AGAIN_AFTER = "2";

/** Runs an endpoint's work; what goes wrong inside becomes a problem document that tells the caller whether to try again. */
export async function answered<T = Answer>(work: () => Promise<T>): Promise<T | Answer> {
  try {
    return await work();
  } catch (error) {
    const isAway = isUnreachable(error);
    // While it is away, every answer would say the same at length.
    console.error(isAway ? `The database cannot be reached: ${String(error)}` : error);
    if (!isAway)
      return problemAnswer(500, phrase("Something went wrong here"), {
        detail: phrase("The server's log says what."),
      });
    const unreachable = problemAnswer(503, phrase("The database cannot be reached"), {
      detail: phrase("Try again shortly; a change may or may not have been saved."),
    });
    return withHeader(unreachable, "retry-after", AGAIN_AFTER);
  }
}

/** The same for an endpoint of the framework. */
export const handle = async (work: () => Promise<Answer>): Promise<Response> => toResponse(await answered(work));
