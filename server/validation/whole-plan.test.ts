import { readFile } from "node:fs/promises";
import { describe, expect, it } from "vitest";
import { checkWholePlan } from "./whole-plan.ts";

const text = await readFile("demo/plan.json", "utf8");
const problemsOf = (edit: (plan: Record<string, Record<string, unknown>[]>) => void) => {
  const plan = JSON.parse(text);
  edit(plan);
  const checked = checkWholePlan(plan);
  return "problems" in checked ? checked.problems.map(({ path }) => path) : [];
};

describe("a whole plan", () => {
  it("is taken as it is when nothing is wrong", () => {
    expect(checkWholePlan(JSON.parse(text))).toEqual({ value: JSON.parse(text) });
  });

  it("tells what is wrong with its form and its references in one reading, with the places of the file", () => {
    const paths = problemsOf((plan) => {
      Object.assign(plan.offers?.[1] ?? {}, { position: -1 });
      Object.assign(plan.options?.[2] ?? {}, { zones: ["nowhere"] });
      Object.assign(plan.offers?.[4] ?? {}, { zones: ["spain", "atlantis"] });
    });
    expect(paths).toEqual(expect.arrayContaining(["/offers/1/position", "/options/2/zones/0", "/offers/4/zones/1"]));
    expect(paths).toHaveLength(3);
  });

  it("does not blame others for naming a part whose own form is wrong", () => {
    const paths = problemsOf((plan) => {
      Object.assign(plan.zones?.[0] ?? {}, { standardTaxRate: "much" });
    });
    expect(paths).toEqual(["/zones/0/standardTaxRate"]);
  });

  it.each([null, 7, "plan", [], {}, { store: {} }])("survives %j", (data) => {
    const checked = checkWholePlan(data);
    expect("problems" in checked && checked.problems.length).toBeGreaterThan(0);
  });
});
