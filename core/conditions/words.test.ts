import { describe, expect, it } from "vitest";
import { ENGLISH, speakValue } from "../phrases/speak.ts";
import type { Condition } from "./condition.ts";
import type { Actual } from "./definition.ts";
import { actualWords } from "./words.ts";

const found = (condition: Condition, actual: Actual, currency = "EUR") => {
  const words = actualWords(condition, actual, currency);
  return words === undefined ? undefined : speakValue(words, ENGLISH);
};
const basis = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } as const;

describe("what a condition found, in words", () => {
  // Units by ISO 4217 (three decimals of the Kuwaiti dinar, none of the yen) and by the engine's own: milligrams, metres.
  it("is told in the unit it is asked in, not in the one it is counted in", () => {
    const value: Condition = { kind: "value", basis, is: "at-least", amount: { byCurrency: { EUR: "20" } } };
    expect(found(value, 4210)).toBe("€42.10");
    expect(found(value, 4210, "KWD")).toMatch(/^KWD.4\.210$/);
    expect(found(value, 4210, "JPY")).toBe("¥4,210");
    expect(found({ kind: "weight", is: "at-most", weight: { value: "2", unit: "kg" } }, 1_250_000)).toBe("1.25 kg");
    const near: Condition = {
      kind: "distance",
      from: "porto",
      is: "at-most",
      distance: { value: "10", unit: "km" },
    };
    expect(found(near, 12_000)).toBe("12 km");
    expect(found(near, 900)).toBe("900 m");
    expect(found({ kind: "items", is: "more-than", count: 8 }, 4)).toBe("4");
  });

  it("is left out where yes, no or unknown has said it", () => {
    expect(found({ kind: "signed-in" }, true)).toBeUndefined();
    expect(found({ kind: "signed-in" }, null)).toBeUndefined();
    expect(found({ kind: "group", groups: ["trade"] }, [])).toBe("nothing");
    expect(found({ kind: "group", groups: ["trade"] }, ["press", "trade"])).toBe("press, trade");
  });
});
