import { optionNameApart } from "../explain/option-name.ts";
import { writtenMoney } from "../money/format.ts";
import { joined, type Phrase, type PhraseValue, phrase } from "../phrases/phrase.ts";
import { ENGLISH, speakValue } from "../phrases/speak.ts";
import type { Plan } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import { byPosition } from "../schema/atoms.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { type Expected, type Sample, seenIn } from "./sample.ts";

/** One thing that a sample was expected to see and does not, before and after. */
export type Difference = {
  readonly about: Phrase;
  readonly expected: PhraseValue;
  readonly found: PhraseValue;
};

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
    const found = joined(
      result.problems.map(({ path, message }) => joined([path, message])),
      "; ",
    );
    return {
      sample,
      seen: null,
      differences: [{ about: phrase("the request"), expected: phrase("an answer"), found }],
    };
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
      ? phrase("not there")
      : value === null
        ? phrase("cannot be had")
        : value === 0
          ? phrase("free")
          : writtenMoney(value, currency);
  const keys = (a: object, b: object) => [...new Set([...Object.keys(a), ...Object.keys(b)])];
  const said = (texts: readonly string[]) => (texts.length === 0 ? phrase("nothing") : texts.join(" · "));
  const all: Difference[] = [
    ...keys(expected.options, seen.options).map((id) => ({
      about: phrase("price of {option}", { option: option(id) }),
      expected: price(expected.options[id]),
      found: price(seen.options[id]),
    })),
    { about: phrase("messages"), expected: said(expected.messages), found: said(seen.messages) },
    ...keys(expected.steps, seen.steps).map((id) => ({
      about: stepName(plan, id),
      expected: expected.steps[id] ?? phrase("not there"),
      found: seen.steps[id] ?? phrase("not there"),
    })),
    {
      about: phrase("option chosen at first"),
      expected: expected.chosen ? option(expected.chosen) : phrase("none"),
      found: seen.chosen ? option(seen.chosen) : phrase("none"),
    },
  ];
  return all.filter(({ expected: wanted, found }) => speakValue(wanted, ENGLISH) !== speakValue(found, ENGLISH));
}

/** Options by name, told apart by where they are offered; one that is gone by what it was known by. */
const optionNamer = (plan: Plan) => (id: string) => {
  const option = plan.options.find((one) => one.id === id);
  return option ? optionNameApart(plan, option) : id;
};

/** @example stepName(plan, "free-standard/one") // "step 1 of “Free standard delivery”" */
function stepName({ offers }: Plan, key: string): Phrase {
  const offer = offers.find(({ id }) => key.startsWith(`${id}/`));
  const steps = offer ? [...offer.steps].sort(byPosition) : [];
  const index = steps.findIndex(({ id }) => key === `${offer?.id}/${id}`);
  return offer && index >= 0
    ? phrase("step {number} of “{name}”", { number: index + 1, name: offer.name })
    : phrase("step {key}", { key });
}
