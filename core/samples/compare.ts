import { optionNameApart } from "../explain/option-name.ts";
import { makersMoney } from "../money/format.ts";
import type { Plan } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import { byPosition } from "../schema/atoms.ts";
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
    differences: sample.expected ? differences(sample.expected, seen, sample.request.currency, compiled.plan) : [],
  };
}

function differences(expected: Expected, seen: Expected, currency: string, plan: Plan): Difference[] {
  const option = optionNamer(plan);
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
      about: `price of ${option(id)}`,
      expected: price(expected.options[id]),
      found: price(seen.options[id]),
    })),
    { about: "messages", expected: said(expected.messages), found: said(seen.messages) },
    ...keys(expected.steps, seen.steps).map((id) => ({
      about: stepName(plan, id),
      expected: expected.steps[id] ?? "not there",
      found: seen.steps[id] ?? "not there",
    })),
    {
      about: "option chosen at first",
      expected: expected.chosen ? option(expected.chosen) : "none",
      found: seen.chosen ? option(seen.chosen) : "none",
    },
  ];
  return all.filter((one) => one.expected !== one.found);
}

/** Options by name, told apart by where they are offered; one that is gone by what it was known by. */
const optionNamer = (plan: Plan) => (id: string) => {
  const option = plan.options.find((one) => one.id === id);
  return option ? optionNameApart(plan, option) : id;
};

/** @example stepName(plan, "free-standard/one") // "step 1 of “Free standard delivery”" */
function stepName({ offers }: Plan, key: string): string {
  const offer = offers.find(({ id }) => key.startsWith(`${id}/`));
  const steps = offer ? [...offer.steps].sort(byPosition) : [];
  const index = steps.findIndex(({ id }) => key === `${offer?.id}/${id}`);
  return offer && index >= 0 ? `step ${index + 1} of “${offer.name}”` : `step ${key}`;
}
