import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { goalsOfPlan } from "../../../core/evidence/goals-of-plan.ts";
import { TOTAL } from "../../../core/evidence/order-facts.ts";
import { compile } from "../../../core/tariff/compile.ts";
import { checkPlan } from "../../../core/validation/documents.ts";
import { goalHomes } from "./goal-into-draft.ts";

const read = checkPlan(JSON.parse(readFileSync("demo/plan.json", "utf8")));
if ("problems" in read) throw new Error("the demo cannot be read");
const { value: plan } = read;
const counting = goalsOfPlan(plan).find(({ offer }) => offer === "free-standard")?.counting ?? TOTAL;

describe("a goal put into the draft", () => {
  it.each([
    ["portugal", "EUR", 5500],
    ["euro-area", "EUR", 8000],
    ["japan", "JPY", 9000],
    ["kuwait", "KWD", 25_000],
  ])(
    "in %s stands in the plan as the goal of its offer, whichever home is chosen, and the plan stays sound",
    (market, currency, goal) => {
      const homes = goalHomes(plan, { market, currency, counting }, goal);
      expect(homes.length).toBeGreaterThan(0);
      expect(new Set(homes.map(({ id }) => id)).size).toBe(homes.length);
      for (const { body } of homes) {
        const offers = [...plan.offers.filter(({ id }) => id !== body.id), { ...body, on: true }];
        const changed = { ...plan, offers };
        expect("problems" in compile(changed)).toBe(false);
        const here = goalsOfPlan(changed).filter((one) => one.offer === body.id && one.market === market);
        expect(here.map((one) => one.goal)).toContain(goal);
      }
    },
  );

  it("moves a goal there only, leaves other amounts, and says nothing of a goal that is there already", () => {
    const homes = goalHomes(plan, { market: "portugal", currency: "EUR", counting }, 4500);
    expect(homes.map(({ id }) => id)).not.toContain("move:free-standard/free-standard");
    const moved = goalHomes(plan, { market: "euro-area", currency: "EUR", counting }, 8000).find(({ id }) =>
      id.startsWith("move:free-post"),
    );
    const before = goalsOfPlan(plan).filter(({ offer, currency }) => offer === "free-post" && currency !== "EUR");
    const after = goalsOfPlan({ ...plan, offers: moved ? [moved.body] : [] }).filter(
      ({ currency }) => currency !== "EUR" && currency !== "JPY" && currency !== "KWD",
    );
    for (const { market, currency, goal } of after)
      expect(before.map((one) => [one.market, one.currency, one.goal])).toContainEqual([market, currency, goal]);
  });
});
