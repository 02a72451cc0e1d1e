import { asWritten, type Phrase } from "../../core/phrases/phrase.ts";
import { english } from "../../core/phrases/speak.ts";
import type { Problem } from "../../core/schema/problem.ts";
import type { Answer } from "./answer.ts";

type More = { detail?: Phrase | string; problems?: readonly Problem[]; extra?: object };

/** One thing that is wrong, by the RFC's own example; `phrase` and `place` say it so that it can be read in other languages. */
export type PointedProblem = { pointer: string; detail: string; phrase: Phrase; place?: Phrase };

/**
 * An error answer by RFC 9457, in English. `errors` uses the form of the RFC's own example: a detail and a JSON Pointer fragment.
 * What is said stands beside it as a phrase too, for the app, which may speak another language.
 */
export function problemAnswer(status: number, title: Phrase, { detail: given, problems, extra }: More = {}): Answer {
  const detail = typeof given === "string" ? asWritten(given) : given;
  const body = {
    type: "about:blank",
    title: english(title),
    status,
    ...(detail === undefined ? {} : { detail: english(detail) }),
    ...(problems === undefined ? {} : { errors: problems.map(pointed) }),
    phrase: title,
    ...extra,
  };
  return { status, headers: { "content-type": "application/problem+json" }, body: JSON.stringify(body) };
}

const pointed = ({ path, message, place }: Problem): PointedProblem => ({
  pointer: `#${path}`,
  detail: english(message),
  phrase: message,
  ...(place ? { place } : {}),
});
