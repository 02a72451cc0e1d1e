import { andList, phrase } from "../phrases/phrase.ts";
import type { FoundFault, StepsNamed } from "./check.ts";
import type { Finding } from "./finding.ts";

/** A fault put into words; of what severity its check says otherwise. */
type Worded = Omit<Finding, "code" | "severity"> & Partial<Pick<Finding, "severity">>;

const named = (steps: readonly number[]): StepsNamed => {
  const values = { count: steps.length, numbers: andList(steps.map((step) => step + 1)) };
  return {
    words: phrase("{count, plural, one {Step} other {Steps}} {numbers}", values),
    inside: phrase("{count, plural, one {step} other {steps}} {numbers}", values),
    count: steps.length,
  };
};

/**
 * Faults in words: those of one offer that say the same of several steps as one, at the first of them, and none twice.
 *
 * @example joinedSteps([{ step: 0, sentence: ({ words }) => `${words} …`, … }, { step: 1, … }]) // one: "Steps 1 and 2 …"
 */
export function joinedSteps(faults: Iterable<FoundFault>): Worded[] {
  const alike = new Map<string, { readonly first: FoundFault; readonly steps: number[] }>();
  for (const fault of faults) {
    // Said of the same step, what is the same sounds the same.
    const sentence = fault.step === undefined ? fault.sentence : fault.sentence(named([0]));
    const key = JSON.stringify([
      fault.at.kind,
      fault.at.id,
      fault.step === undefined ? fault.at.path : "step",
      sentence,
    ]);
    const known = alike.get(key) ?? { first: fault, steps: [] };
    if (fault.step !== undefined && !known.steps.includes(fault.step)) known.steps.push(fault.step);
    alike.set(key, known);
  }
  return [...alike.values()].map(({ first, steps }): Worded => {
    const { sentence, step: _, ...fault } = first;
    return { ...fault, sentence: typeof sentence === "function" ? sentence(named(steps)) : sentence };
  });
}
