import { readdirSync, readFileSync } from "node:fs";
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { describe, expect, it } from "vitest";
import { climb } from "../climb/climb.ts";
import type { Plan } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import { type CompiledPlan, compile } from "../tariff/compile.ts";

setFlagsFromString("--expose-gc");
const collectGarbage: () => void = runInNewContext("gc");

const demo: Plan = JSON.parse(readFileSync("demo/plan.json", "utf8"));
const requests = readdirSync("demo/requests");

/** Answers a request that nobody else knows of. */
function answered(compiled: CompiledPlan, name: string): WeakRef<object>[] {
  const request: QuoteRequest = JSON.parse(readFileSync(`demo/requests/${name}`, "utf8"));
  const asked = { ...request, shopper: { ...request.shopper } };
  quote(compiled, asked, { why: true });
  climb(compiled, asked, 2000);
  const goods = asked.cart.lines.flatMap(({ categories, tags }) => [
    ...(categories ? [categories] : []),
    ...(tags ? [tags] : []),
  ]);
  return [asked.shopper, ...goods].map((one) => new WeakRef(one));
}

describe("a plan that has been asked", () => {
  it("holds on to no shopper and no cart", async () => {
    const made = compile(demo);
    if ("problems" in made) throw new Error(JSON.stringify(made.problems));
    const { compiled } = made;
    const held = requests.flatMap((name) => answered(compiled, name));
    expect(held.length).toBeGreaterThan(requests.length);
    const left = () => held.filter((one) => one.deref() !== undefined);
    // What a WeakRef was made of stays until the task is over; what code is being compiled for in the background, until that is done.
    for (let round = 0; round < 100 && left().length > 0; round += 1) {
      await new Promise((resolve) => setTimeout(resolve, 20));
      collectGarbage();
    }
    expect(left()).toEqual([]);
    // The plan itself is still there to answer.
    expect(compiled.plan).toBe(demo);
  });
});
