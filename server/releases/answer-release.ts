import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { type Answer, jsonAnswer } from "../http/answer.ts";
import { problemAnswer } from "../http/problem-document.ts";
import type { Refusal, ReleaseResult } from "./make-release.ts";

const REFUSALS: Readonly<Record<Refusal | "unsound", Phrase>> = {
  "nothing-changed": phrase("What shops would get is the same already"),
  empty: phrase("The draft is empty"),
  "draft-moved": phrase("The draft has changed since it was looked at"),
  "moment-passed": phrase("That moment has passed"),
  "not-waiting": phrase("No release of that number waits any more"),
  "no-such-offer": phrase("That release has no such offer"),
  "nothing-in-force": phrase("Nothing has been released yet"),
  "second-person": phrase("A release takes two people here: change the draft and ask for one"),
  unsound: phrase("It cannot be released as it is"),
};

/** What making a release came to, as an answer: the release, 202 when it waits for a second person, or why there is none. */
export function releaseAnswer(result: ReleaseResult, status: number): Answer {
  if ("release" in result) return jsonAnswer(result.release, status);
  if ("asked" in result) return jsonAnswer(result, 202);
  const { refused, sequence } = result;
  const problems = refused === "unsound" ? { problems: result.problems } : {};
  return problemAnswer(409, REFUSALS[refused], { ...problems, extra: { sequence } });
}
