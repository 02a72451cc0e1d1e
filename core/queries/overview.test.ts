import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addressesOf } from "../analysis/addresses.ts";
import { filler } from "../cart/read-cart.ts";
import { cartAt } from "../climb/cart-at.ts";
import { climb } from "../climb/climb.ts";
import type { Plan } from "../plan/plan.ts";
import type { CartLine } from "../request/request.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { overviewOf } from "./overview.ts";

const plan: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));
const compiled = compiledPlan(plan);
const addresses = addressesOf(compiled);

const line: fc.Arbitrary<CartLine> = fc.record({
  sku: fc.constantFrom("ink", "ream", "pen"),
  quantity: fc.integer({ min: 1, max: 4 }),
  unitPrice: fc.integer({ min: 0, max: 4000 }),
  weight: fc.integer({ min: 1, max: 3000 }).map((grams) => ({ value: String(grams), unit: "g" as const })),
  taxRate: fc.constantFrom("6", "23", "0"),
});
const shopper = fc.record({
  id: fc.constant("s-1"),
  signedIn: fc.boolean(),
  groups: fc.subarray(["trade"]),
  business: fc.boolean(),
});

describe("the overview", () => {
  it("says what quotes say: the price now, when it is free and not a unit earlier, what a goal of value brings", () => {
    const counts = { free: 0, values: 0, others: 0, codes: 0 };
    fc.assert(
      fc.property(fc.array(line, { maxLength: 3 }), shopper, (lines, who) => {
        const at = "2026-11-28T10:00:00Z";
        const rows = overviewOf(compiled, plan.zones, addresses, ({ market }, destination) => ({
          ...{ at, destination, shopper: who, cart: { lines } },
          currency: plan.markets.find(({ id }) => id === market)?.currencies[0] ?? "",
        }));
        expect(rows.map(({ zone }) => zone)).toEqual(plan.zones.map(({ id }) => id));
        for (const { zone, currency, cells, problem } of rows) {
          expect(problem).toBeNull();
          const destination = addresses.get(zone)?.[0] ?? {};
          const quoted = (cart: Parameters<typeof cartAt>[0]) =>
            quoteOf(compiled, { at, destination, currency, shopper: who, cart }, { text: false });
          const optionAt = (x: number, option: string) =>
            quoted(cartAt({ lines }, x)).options.find(({ id }) => id === option);
          const request = { at, destination, currency, shopper: who, cart: { lines } };
          const made = climb(compiled, request, 60_000, { progress: false });
          const drawn = "climb" in made ? made.climb : null;
          const now = quoted({ lines });
          expect(zone).toBe(now.zone);
          expect(cells.map(({ option, now: price }) => [option, price])).toEqual(
            now.options.map(({ id, price, reason }) => [id, price ?? reason]),
          );
          for (const { option, freeFrom, steps } of cells) {
            if (freeFrom !== null) {
              counts.free += 1;
              expect(optionAt(freeFrom, option)?.price).toBe(0);
              if (freeFrom > 0) expect(optionAt(freeFrom - 1, option)?.price).not.toBe(0);
              for (const more of [1, 500]) expect(optionAt(freeFrom + more, option)?.price).toBe(0);
            }
            for (const { offer, step, goal, measure, price } of steps) {
              const definition = plan.offers.find(({ id }) => id === offer);
              expect(definition?.zones).toContain(zone);
              if (goal === null) {
                counts.codes += 1;
                const entered = quoted({ lines, codes: ["PAPERPOST"] }).options.find(({ id }) => id === option);
                expect(entered?.price).toBe(price);
              } else if (measure === "value") {
                counts.values += 1;
                const flag = drawn?.steps.find((one) => one.offer === offer && one.step === step)?.flag ?? -1;
                expect(optionAt(flag, option)).toMatchObject({ price, offers: expect.arrayContaining([offer]) });
                const before = quoted(cartAt({ lines }, flag - 1)).progress;
                expect(before.find((one) => one.offer === offer && one.step === step)?.reached).toBe(false);
              } else {
                counts.others += 1;
                const stands = now.progress.find((one) => one.offer === offer && one.step === step);
                const short = Math.max(0, goal - (stands?.counted ?? 0));
                const pieces = filler(measure, short);
                const added = quoted({ lines: short === 0 ? lines : [...lines, pieces] }).options.find(
                  ({ id }) => id === option,
                );
                expect(added).toMatchObject({ price, offers: expect.arrayContaining([offer]) });
              }
            }
          }
        }
      }),
      { numRuns: 30 },
    );
    process.stdout.write(`overview: ${JSON.stringify(counts)}\n`);
    expect(counts.free).toBeGreaterThan(50);
    expect(counts.values).toBeGreaterThan(50);
    expect(counts.others).toBeGreaterThan(5);
    expect(counts.codes).toBeGreaterThan(5);
  });
});
