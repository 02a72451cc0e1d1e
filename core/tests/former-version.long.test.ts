import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { runChecks } from "../checks/run-checks.ts";
import { climb } from "../climb/climb.ts";
import { climbAsJson } from "../climb/interval.ts";
import { whySentences } from "../explain/why-words.ts";
import { entitiesOf, planOf } from "../plan/entities.ts";
import type { Plan } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { translationUnits, withTexts } from "../translation/translation-units.ts";
import { readXliff, xliffOf } from "../translation/xliff.ts";
import { checkPlan } from "../validation/documents.ts";
import { compiledPlan } from "./compiled.ts";
import { inEnglish } from "./in-english.ts";

// What version 0.1.0 wrote, byte for byte: a plan, its translators' file, its findings, answers to the demo's requests as text, and
// the checksums of all that was said about them and about fifty drawn plans and requests. None of it changes unless a number of
// the format does.

const read = (file: string) => readFileSync(new URL(`former/${file}`, import.meta.url), "utf8");
/** As it is read today: the newest format's way to say what format 1 said. */
function readPlan(data: unknown): Plan {
  const checked = checkPlan(data);
  if ("problems" in checked) throw new Error(JSON.stringify(checked.problems));
  return checked.value;
}

const plan = readPlan(JSON.parse(read("plan.json")));
const compiled = compiledPlan(plan);

/** The checks that there were. */
const CHECKS_THEN =
  `amount-typed-in-text basis-before-discounts basis-unlike-prices breaks-a-rule carrier-without-fallback
  code-collides condition-always-holds condition-never-holds converted-goal-not-round entry-never-fires
  gives-nothing goal-met-by-one-product goal-out-of-reach goals-differ goals-fall limit-used-up list-leaves-gap
  narrow-zone-lacks-options offer-ended offer-nowhere option-without-price options-share-name
  place-claimed-twice plural-missing postcode-of-no-country price-cliff rates-old region-contradicts-postcode
  region-undecided reward-option-not-there schedule-in-skipped-hour schedule-never-runs schedule-overlaps
  step-without-amount text-promises-free translation-missing translation-outdated visitor-may-be-denied
  weight-far-from-its-class weight-missing zone-offers-nothing-for-some zone-without-options zone-without-places`.split(
    /\s+/,
  );

const checksum = (value: unknown) => createHash("sha256").update(JSON.stringify(value)).digest("hex");

/** Everything that is said about one request, with the climb to so many minor units. */
function saidOf(by: CompiledPlan, request: QuoteRequest, to: number) {
  const answer = quote(by, request, { why: true });
  const why = ("quote" in answer && answer.quote.why) || [];
  const sentences = why.flatMap((account) =>
    account.options.flatMap(({ option }) => whySentences(by.plan, account, option, request.currency)),
  );
  const climbed = climb(by, request, to);
  const whole = "climb" in climbed && climbed.climb ? { climb: climbAsJson(climbed.climb) } : climbed;
  return inEnglish({ answer, sentences, climb: whole });
}

/** Witnesses hold the options they are about: an hour that was not included is the last minute that is. */
const aMinuteBefore = (findings: string) =>
  findings.replaceAll(/"cutOff": ?"(\d\d):00"/g, (_, hour) => `"cutOff":"${String(hour - 1).padStart(2, "0")}:59"`);

type Answered = { request: QuoteRequest; answer: unknown; sha256: string };
const answers: Record<string, Answered> = JSON.parse(read("answers.json"));
const cases: { plan: Plan; request: QuoteRequest; sha256: string }[] = read("cases.jsonl")
  .trimEnd()
  .split("\n")
  .map((line) => JSON.parse(line))
  .map((one) => ({ ...one, plan: readPlan(one.plan) }));

describe("what the former version wrote", () => {
  it("is the same plan, read and taken apart and written again", () => {
    expect(JSON.stringify(planOf(entitiesOf(plan)))).toBe(JSON.stringify(plan));
  });

  it.each(Object.entries(answers))("is the same answer to the request %s", (_, { request, answer, sha256 }) => {
    expect(JSON.stringify(inEnglish(quote(compiled, request)), null, 1)).toBe(JSON.stringify(answer, null, 1));
    expect(checksum(saidOf(compiled, request, 6000))).toBe(sha256);
  });

  it("are the same answers to requests of other plans", () => {
    expect(cases.length).toBe(50);
    for (const [i, one] of cases.entries())
      expect([i, checksum(saidOf(compiledPlan(one.plan), one.request, 300))]).toEqual([i, one.sha256]);
  });

  it("is the same file for translators, and changes nothing when it comes back", () => {
    const xml = read("translators.xlf");
    expect(xliffOf(translationUnits(plan), "en", "pt")).toBe(xml);
    const back = readXliff(xml);
    if ("problems" in back) throw new Error(JSON.stringify(back.problems));
    expect(withTexts(plan, back.texts)).toEqual({ entities: [] });
  });

  it("are the same findings, with the same witnesses", () => {
    const around = {
      at: Date.UTC(2026, 10, 24),
      products: [],
      uses: {},
      addresses: [],
    };
    const found = [...runChecks(compiled, around)].flatMap(({ check, findings }) =>
      CHECKS_THEN.includes(check) ? findings : [],
    );
    expect(JSON.parse(JSON.stringify(inEnglish(found)))).toEqual(JSON.parse(aMinuteBefore(read("findings.json"))));
  });
});
