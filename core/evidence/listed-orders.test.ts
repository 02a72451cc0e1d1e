import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import "../tests/seed.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { checkPlan } from "../validation/documents.ts";
import { type ListedOrder, ordersReplayed, ordersWorth } from "./listed-orders.ts";
import { countingOf, TOTAL } from "./order-facts.ts";
import type { PastOrder, PlainOrder } from "./past-order.ts";
import { asRunning, Replay } from "./replay.ts";
import { rowsBy } from "./replayed.ts";

const read = checkPlan(JSON.parse(readFileSync("demo/plan.json", "utf8")));
if ("problems" in read) throw new Error("the demo cannot be read");
const compiled = compiledPlan(asRunning(read.value));
const count = countingOf(compiled, TOTAL);

/** Orders to places of Portugal, to where nobody delivers, of options that may not be had, cancelled ones, plain ones. */
const anyOrder = fc
  .record({
    destination: fc.constantFrom(
      ...["3000-001", "4000-001", "1000-001", "9000-001"].map((postcode) => ({ country: "PT", postcode })),
      { country: "AQ" },
    ),
    option: fc.constantFrom("standard", "standard", "express", "islands"),
    unitPrice: fc.integer({ min: 100, max: 12_000 }),
    charged: fc.constantFrom(0, 490, 690, 950),
    cancelled: fc.nat(5).map((one) => one === 0),
    isPlain: fc.nat(5).map((one) => one === 0),
  })
  .map(({ destination, option, unitPrice, charged, cancelled, isPlain }) => {
    const common = { charged, ...(cancelled ? { cancelled } : {}) };
    const at = "2026-11-25T09:00:00Z";
    if (isPlain) return { ...common, at, currency: "EUR", total: unitPrice };
    const cart = { lines: [{ sku: "paper", quantity: 1, unitPrice }] };
    return { ...common, option, request: { at, currency: "EUR", destination, cart } };
  });
const someOrders = fc
  .array(anyOrder, { minLength: 1, maxLength: 25 })
  .map((orders) => orders.map((order, i): PastOrder | PlainOrder => ({ ...order, order: `o-${i}` })));

const names = (orders: readonly ListedOrder[]) => orders.map(({ order }) => order);
const sum = (orders: readonly ListedOrder[], of: (one: ListedOrder) => number | null) =>
  orders.reduce((total, one) => total + (of(one) ?? 0), 0);

describe("the orders behind figures", () => {
  it("of a replay are those that were added up, whatever the orders: together they are all of them, each once", () => {
    const edges = [3000, 6000];
    const groupOf = (order: PastOrder) => edges.filter((edge) => (count(order) ?? 0) >= edge).length;
    let opened = 0;
    fc.assert(
      fc.property(someOrders, (orders) => {
        const replay = new Replay(compiled, { beside: compiled, groupOf });
        for (const order of orders) replay.add(order);
        const { rows, cannotBeTold, notToBeHad } = replay.result();
        const all = orders.filter(({ cancelled }) => !cancelled).map(({ order }) => order);
        const without = [...cannotBeTold, ...notToBeHad].flatMap(({ why, orders: counted }) => {
          const listed = ordersReplayed(orders, replay, { by: "why", is: why });
          expect([why, listed.length]).toEqual([why, counted]);
          return names(listed);
        });
        for (const by of ["zone", "option", "group"] as const) {
          const priced = rowsBy(rows, (row) => String(row[by])).flatMap((row) => {
            const pick = by === "group" ? { by, is: row.group ?? -1 } : { by, is: row[by] };
            const listed = ordersReplayed(orders, replay, pick);
            expect(sum(listed, ({ now }) => now)).toBe(row.now.delivery);
            expect(sum(listed, ({ beside }) => beside)).toBe(row.beside.delivery);
            expect(sum(listed, ({ charged }) => charged)).toBe(row.charged);
            opened += 1;
            return names(listed);
          });
          expect([...priced, ...without].sort()).toEqual([...all].sort());
        }
      }),
    );
    expect(opened).toBeGreaterThan(300);
  });

  it("of a stretch of worths are those in it, its upper end left out", () => {
    const stretch = fc.record({ from: fc.nat(9000), width: fc.option(fc.nat(4000), { nil: undefined }) });
    fc.assert(
      fc.property(someOrders, stretch, (orders, { from, width }) => {
        const below = width === undefined ? undefined : from + width;
        const listed = ordersWorth(orders, count, { from, below });
        const isIn = (worth: number | null) =>
          worth !== null && worth >= from && worth < (below ?? Number.POSITIVE_INFINITY);
        const wanted = orders.filter((order) => !order.cancelled && isIn(count(order)));
        expect(names(listed)).toEqual(wanted.map(({ order }) => order));
        for (const one of listed) expect(isIn(one.worth)).toBe(true);
      }),
    );
  });
});
