import { describe, expect, it } from "vitest";
import { phrase } from "../phrases/phrase.ts";
import { english } from "../phrases/speak.ts";
import type { FoundFault } from "./check.ts";
import { joinedSteps } from "./joined-steps.ts";

const of = (offer: string, step: number, what: string): FoundFault => ({
  step,
  sentence: ({ words, count }) =>
    phrase("{words} {count, plural, one {gives} other {give}} {what}.", { words, count, what }),
  at: { kind: "offer", id: offer, path: `/steps/${step}` },
  witness: null,
});

describe("faults of several steps", () => {
  it("that are the same are one finding, at the first of them; others stay apart", () => {
    const plain: FoundFault = {
      sentence: phrase("The plan is empty."),
      at: { kind: "store", id: "store", path: "" },
      witness: null,
    };
    const found = joinedSteps([
      of("a", 0, "nothing"),
      of("a", 1, "too much"),
      of("b", 0, "nothing"),
      plain,
      of("a", 2, "nothing"),
      of("a", 2, "nothing"),
      plain,
    ]);
    expect(found.map(({ at, sentence }) => `${at.id}${at.path}: ${english(sentence)}`)).toEqual([
      "a/steps/0: Steps 1 and 3 give nothing.",
      "a/steps/1: Step 2 gives too much.",
      "b/steps/0: Step 1 gives nothing.",
      "store: The plan is empty.",
    ]);
  });
});
