import { describe, expect, it } from "vitest";
import { demoPlan } from "../../tests/demo-plan.ts";
import { inZones } from "./in-zones.ts";

const plan = demoPlan();
const [first] = plan.offers;
if (!first) throw new Error("the demo has no offer");
const given = (options: string[]) => ({
  ...first,
  zones: ["portugal-mainland", "madeira"],
  steps: first.steps.map((step) => ({ ...step, reward: { kind: "free" as const, options } })),
});
const optionsIn = (options: string[], zones: string[]) =>
  inZones(plan, given(options), zones).steps.map(({ reward }) => ("options" in reward ? reward.options : null));

describe("an offer that leaves a zone", () => {
  it("gives nothing on options of that zone alone, keeps what other zones have, and never ends with none", () => {
    expect(optionsIn(["standard", "islands"], ["madeira"])).toEqual([["islands"]]);
    expect(optionsIn(["standard", "collect-porto"], ["madeira"])).toEqual([["collect-porto"]]);
    expect(optionsIn(["standard", "islands"], ["madeira", "portugal-mainland"])).toEqual([["standard", "islands"]]);
    expect(optionsIn(["standard"], ["madeira"])).toEqual([["standard"]]);
    expect(inZones(plan, given(["standard"]), ["madeira"]).zones).toEqual(["madeira"]);
  });
});
