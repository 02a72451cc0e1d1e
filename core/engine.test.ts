import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { cartAt } from "./climb/cart-at.ts";
import { climbCart, engineFor, findingsOf, priceAt, quoteCart, remainingAt, rulesBrokenBy } from "./engine.ts";

const read = (path: string): unknown => JSON.parse(readFileSync(new URL(`../demo/${path}`, import.meta.url), "utf8"));

describe("the engine as a library", () => {
  it("answers plain JSON: a quote, the climb through it, findings", () => {
    const made = engineFor(read("plan.json"));
    if ("problems" in made) throw new Error(JSON.stringify(made.problems));
    const request = JSON.parse(JSON.stringify(read("requests/below-goal.json")));
    const answer = quoteCart(made.engine, request);
    const climbed = climbCart(made.engine, request, 6000);
    if (!("quote" in answer) || !("climb" in climbed) || !climbed.climb) throw new Error("no answer");
    const { intervals, options, steps } = climbed.climb;
    for (const x of [0, 1, 3860, 4499, 4500, 6000]) {
      const interval = intervals.find(({ from, to }) => from <= x && x <= to);
      const there = quoteCart(made.engine, { ...request, cart: cartAt(request.cart, x) });
      if (!interval || !("quote" in there)) throw new Error(`nothing at ${x}`);
      const prices = options.map((_, i) => priceAt(interval, i, x));
      expect(prices).toEqual(there.quote.options.map(({ price, reason }) => price ?? reason));
      const left = steps.flatMap(({ goal }, i) => (goal === null ? [] : [remainingAt(interval, i, x)]));
      expect(left).toEqual(there.quote.progress.map(({ remaining }) => remaining));
    }
    expect(findingsOf(made.engine, { at: Date.UTC(2026, 10, 24) }).length).toBeGreaterThan(2);
    expect(rulesBrokenBy(made.engine)).toEqual([]);
  });

  it.each([undefined, null, 7, "plan", [], {}, { format: 3 }, { format: 1, store: {} }, { format: 2, store: {} }])(
    "answers problems for %j, and throws nothing",
    (data) => {
      expect(engineFor(data)).toHaveProperty("problems");
      const made = engineFor(read("plan.json"));
      if ("problems" in made) throw new Error("the demo does not compile");
      expect(quoteCart(made.engine, data)).toHaveProperty("problems");
      expect(climbCart(made.engine, data, 100)).toHaveProperty("problems");
      expect(climbCart(made.engine, read("requests/below-goal.json"), Number.NaN)).toHaveProperty("problems");
    },
  );
});
