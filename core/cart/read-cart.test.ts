import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Cart, CartLine } from "../request/request.ts";
import { inEnglish } from "../tests/in-english.ts";
import { filler, plainCart, readCart, readFiller, readLine } from "./read-cart.ts";

const line = (more: Partial<CartLine> = {}): CartLine => ({ sku: "ink", quantity: 2, unitPrice: 1000, ...more });
const problemsOf = (cart: Cart) => {
  const read = readCart(cart, "/cart");
  return "problems" in read ? read.problems : [];
};

describe("a cart made ready for counting", () => {
  it("has shelf prices before discounts, and what is left out is unknown or none", () => {
    const read = readCart({ lines: [line({ discount: 300 })], discounts: [{ percent: "10" }] }, "/cart");
    if ("problems" in read) throw new Error(JSON.stringify(read.problems));
    expect(read.lines[0]).toMatchObject({
      shelf: 2000,
      discount: 300,
      taxRate: null,
      weight: null,
      volume: null,
      parcelClass: null,
      used: false,
      delivery: null,
    });
    expect(read.discounts).not.toBeNull();
    expect(readCart({ lines: [] }, "/cart")).toEqual(plainCart([]));
  });

  it("weighs nothing where nothing is shipped, and a pound of it exactly", () => {
    // An international pound is 453592.37 mg by the agreement of 1959.
    const pound = readLine(line({ weight: { value: "1", unit: "lb" } })).weight;
    expect(pound).toEqual({ at: { n: 45_359_237, d: 100 }, slope: { n: 0, d: 1 }, stairs: null });
    const download = line({ weight: { value: "1", unit: "kg" }, delivery: { kind: "nothing-to-ship" } });
    expect(readLine(download)).toMatchObject({ weight: 0, volume: 0 });
  });

  it("is refused where a discount takes off more than there is, with where", () => {
    expect(inEnglish(problemsOf({ lines: [line(), line({ discount: 2001 })] }))).toEqual([
      { path: "/cart/lines/1/discount", message: "takes off more than the line's 2000" },
    ]);
    expect(problemsOf({ lines: [line({ discount: 2000 })] })).toEqual([]);
    expect(inEnglish(problemsOf({ lines: [line()], discounts: [{ percent: "100" }, { percent: "100.5" }] }))).toEqual([
      { path: "/cart/discounts/1/percent", message: "takes off more than 100 percent" },
    ]);
  });

  it("is refused where it is worth, weighs or takes up more than can be counted to the unit", () => {
    const dear = line({ quantity: 100_000, unitPrice: 100_000_000_000 });
    expect(problemsOf({ lines: [dear] }).map(({ path }) => path)).toEqual(["/cart/lines"]);
    const heavy = line({ quantity: 100_000, weight: { value: "999999999", unit: "kg" } });
    expect(problemsOf({ lines: [line(), heavy] }).map(({ path }) => path)).toEqual(["/cart/lines/1/weight"]);
    const huge = line({ quantity: 100_000, size: { length: "9999", width: "9999", height: "9999", unit: "m" } });
    expect(problemsOf({ lines: [huge] }).map(({ path }) => path)).toEqual(["/cart/lines/0/size"]);
    // Together, where each by itself could be.
    const half = line({ quantity: 60_000, unitPrice: 10_000_000_000 });
    expect(problemsOf({ lines: [half] })).toEqual([]);
    expect(problemsOf({ lines: [half, half] }).map(({ path }) => path)).toEqual(["/cart/lines"]);
  });

  it("takes filler for the same line whether it comes from a request or is made here", () => {
    const kind = fc.constantFrom("value" as const, "items" as const, "weight" as const);
    fc.assert(
      fc.property(kind, fc.integer({ min: 1, max: 1_000_000 }), (of, amount) => {
        expect(readFiller(of, amount)).toEqual(readLine(filler(of, amount)));
      }),
    );
  });
});
