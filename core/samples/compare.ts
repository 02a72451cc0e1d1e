import { makersMoney } from "../money/format.ts";
import { quote } from "../quote/quote.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { type Expected, type Sample, seenIn } from "./sample.ts";

/** One thing that a sample was expected to see and does not, before and after. */
export type Difference = { readonly about: string; readonly expected: string; readonly found: string };

/** A sample put to a plan: what it sees now, and where that is not what it is expected to see. */
export type SampleRun = {
  readonly sample: Sample;
  readonly seen: Expected | null;
  readonly differences: readonly Difference[];
};

/** Puts a sample to a plan. A request that cannot be quoted any more is a difference of its own. */
export function runSample(compiled: CompiledPlan, sample: Sample): SampleRun {
  const result = quote(compiled, sample.request);
  if ("problems" in result) {
    const found = result.problems.map(({ path, message }) => `${path} ${message}`).join("; ");
    return { sample, seen: null, differences: [{ about: "the request", expected: "an answer", found }] };
  }
  const seen = seenIn(result.quote);
  return {
    sample,
    seen,
    differences: sample.expected ? differences(sample.expected, seen, sample.request.currency) : [],
  };
}

function differences(expected: Expected, seen: Expected, currency: string): Difference[] {
  const price = (value: number | null | undefined) =>
    value === undefined
      ? "not there"
      : value === null
        ? "cannot be had"
        : value === 0
          ? "free"
          : makersMoney(value, currency);
  const keys = (a: object, b: object) => [...new Set([...Object.keys(a), ...Object.keys(b)])];
  const said = (texts: readonly string[]) => (texts.length === 0 ? "nothing" : texts.join(" · "));
  const all: Difference[] = [
    ...keys(expected.options, seen.options).map((id) => ({
      about: `price of ${id}`,
      expected: price(expected.options[id]),
      found: price(seen.options[id]),
    })),
    { about: "messages", expected: said(expected.messages), found: said(seen.messages) },
    ...keys(expected.steps, seen.steps).map((id) => ({
      about: `step ${id}`,
      expected: expected.steps[id] ?? "not there",
      found: seen.steps[id] ?? "not there",
    })),
    { about: "option chosen at first", expected: expected.chosen ?? "none", found: seen.chosen ?? "none" },
  ];
  return all.filter((one) => one.expected !== one.found);
}
