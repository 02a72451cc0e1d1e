import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { quote } from "../quote/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { checkPlan } from "../validation/documents.ts";
import { entitiesOf, planOf } from "./entities.ts";
import { fromFormat1 } from "./former-formats.ts";
import type { Plan } from "./plan.ts";

// Random plans of format 1 with what the engine of that time answered, a checksum for each request: options that are collected,
// cut-offs at every edge of a day, zones switched off, places known and not, moments on both sides of a cut-off.
type Former = { plan: Plan; requests: QuoteRequest[]; answers: string[] };
const cases: Former[] = readFileSync(new URL("../tests/former/format-1.jsonl", import.meta.url), "utf8")
  .trimEnd()
  .split("\n")
  .map((line) => JSON.parse(line));

const checksum = (value: unknown) => createHash("sha256").update(JSON.stringify(value)).digest("hex").slice(0, 24);

function read(data: unknown): Plan {
  const checked = checkPlan(data);
  if ("problems" in checked) throw new Error(JSON.stringify(checked.problems));
  return checked.value;
}

describe("plans of format 1", () => {
  it("are answered as they were, reasons and all", () => {
    const counts = { plans: cases.length, requests: 0, "zones named": 0, "cut-offs moved": 0, "never the same day": 0 };
    for (const [i, { plan, requests, answers }] of cases.entries()) {
      const now = read(plan);
      const compiled = compiledPlan(now);
      expect([i, requests.map((request) => checksum(quote(compiled, request, { why: true })))]).toEqual([i, answers]);
      counts.requests += requests.length;
      for (const [k, option] of now.options.entries()) {
        const was = plan.options[k];
        if (option.zones.length > (was?.zones.length ?? 0)) counts["zones named"] += 1;
        const pairs = [
          [was?.promise, option.promise],
          [was?.byZone?.islands?.promise, option.byZone?.islands?.promise],
        ];
        for (const [before, after] of pairs) {
          if (before?.kind !== "arrives" || after?.kind !== "arrives") continue;
          if (after.cutOff === undefined) counts["never the same day"] += 1;
          else if (after.cutOff !== before.cutOff) counts["cut-offs moved"] += 1;
        }
      }
    }
    console.log("migrated from format 1:", JSON.stringify(counts));
    expect(Math.min(...Object.values(counts))).toBeGreaterThan(10);
  });

  it("would be answered otherwise if they were taken for format 2 as they stand", () => {
    const others = cases.filter(({ plan, requests, answers }) => {
      const compiled = compiledPlan(read({ ...plan, format: 2 }));
      return requests.some((request, i) => checksum(quote(compiled, request, { why: true })) !== answers[i]);
    });
    expect(others.length).toBeGreaterThan(30);
  });

  it("say the same in format 2, read and written and read again, and nothing of them is lost", () => {
    for (const { plan } of cases) {
      const now = read(plan);
      expect(planOf(entitiesOf(now))).toEqual(now);
      expect(read(JSON.parse(JSON.stringify(now)))).toEqual(now);
      const same = ({ options: _, format: _format, ...rest }: Plan) => rest;
      expect(same(now)).toEqual(same(plan));
    }
  });

  it("are told what is wrong with them where it is", () => {
    const [first] = cases;
    const checked = checkPlan({ ...first?.plan, options: [{ id: "a" }] });
    expect("problems" in checked && checked.problems.map(({ path }) => path)).toContain("/options/0/charge");
  });

  it("keep what is not about options as it is, and an option that is collected anywhere stays so", () => {
    const [first] = cases;
    if (!first) throw new Error("no case");
    const everywhere = first.plan.options.map((option) => ({
      ...option,
      zones: [],
      way: { kind: "collected" as const, location: "porto" },
    }));
    expect(fromFormat1({ ...first.plan, options: everywhere }).options.map(({ zones }) => zones)).toEqual(
      everywhere.map(() => []),
    );
  });
});
