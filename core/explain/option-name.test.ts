import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { joined } from "../phrases/phrase.ts";
import { english } from "../phrases/speak.ts";
import { checkPlan } from "../validation/documents.ts";
import { optionNameApart } from "./option-name.ts";

const read = checkPlan(JSON.parse(readFileSync("demo/plan.json", "utf8")));
if ("problems" in read) throw new Error("the demo cannot be read");
const { value: plan } = read;

const told = ({ options, zones }: Pick<typeof plan, "options" | "zones">) =>
  options.map((option) => english(joined([optionNameApart({ options, zones }, option)], "")));

describe("what an option is called apart from others", () => {
  it("is its name alone where no other has it, and else says where it is offered", () => {
    const names = told(plan);
    expect(new Set(names).size).toBe(plan.options.length);
    expect(names).toEqual(
      expect.arrayContaining([
        ...["Express", "Standard (Mainland Portugal)", "Standard (Madeira, Azores)"],
        "Post (Spain, Other euro area and 4 more)",
      ]),
    );
  });

  it("goes by the options as they are now", () => {
    const [first, ...others] = plan.options;
    if (!first) throw new Error("the demo has options");
    expect(told({ ...plan, options: [first] })).toEqual(["Standard"]);
    const nowhere = { ...first, id: "copy", zones: [] };
    expect(told({ ...plan, options: [first, ...others, nowhere] }).at(-1)).toBe("Standard (nowhere)");
  });
});
