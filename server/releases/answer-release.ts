import { jsonResponse } from "../http/handle.ts";
import { problemDocument } from "../http/problem-document.ts";
import type { Refusal, ReleaseResult } from "./make-release.ts";

const REFUSALS: Readonly<Record<Refusal | "unsound", string>> = {
  "nothing-changed": "What shops would get is the same already",
  empty: "The draft is empty",
  "draft-moved": "The draft has changed since it was looked at",
  "moment-passed": "That moment has passed",
  "not-waiting": "No release of that number waits any more",
  "no-such-offer": "That release has no such offer",
  "nothing-in-force": "Nothing has been released yet",
  unsound: "It cannot be released as it is",
};

/** What making a release came to, as an answer: the release, or why there is none. */
export function releaseAnswer(result: ReleaseResult, status: number): Response {
  if ("release" in result) return jsonResponse(result.release, status);
  const { refused, sequence } = result;
  const problems = refused === "unsound" ? { problems: result.problems } : {};
  return problemDocument(409, REFUSALS[refused], { ...problems, extra: { sequence } });
}
