import { afterAll, beforeEach, describe, expect, it } from "vitest";
import type { Plan } from "../../core/plan/plan.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { compiledPlan, quoteOf } from "../../core/tests/compiled.ts";
import { oneZonePlan } from "../../core/tests/one-zone.ts";
import { dayOf } from "../../core/time/day.ts";
import { DAY, isoOf } from "../../core/time/instant.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore } from "../demo/load-demo.ts";
import { claim, giveBack } from "./ledger.ts";
import { bookedFrom, dayBefore, lastDay, optionsBooked, withBooked } from "./window-claims.ts";

const pool = openPool(databaseUrl(), 10);
afterAll(() => pool.end());
beforeEach(() => emptyStore(pool));

const charge = { kind: "flat" as const, amount: { byCurrency: { EUR: "5.00" } } };
const slots = [
  { id: "morning", days: [1, 2, 3, 4, 5], from: "09:00", until: "12:00", holds: 7 },
  { id: "evening", days: [5], from: "18:00", until: "20:00" },
];
const plan: Plan = oneZonePlan({
  options: [
    {
      id: "round",
      position: 1,
      name: { en: "Round" },
      zones: ["z"],
      charge,
      windows: { at: "shop", lead: 0, ahead: 7, slots },
    },
  ],
});
// 27 November 2026 is a Friday.
const window = { option: "round", slot: "morning", day: "2026-11-27" };
const request = { at: "2026-11-26T10:00:00Z", currency: "EUR", destination: {}, cart: { lines: [] } };
const asQuoted = async (asked: QuoteRequest) =>
  withBooked(
    asked,
    optionsBooked(plan, asked),
    await bookedFrom(pool, dayBefore(asked), lastDay(optionsBooked(plan, asked), asked)),
  );
const booked = async () => (await asQuoted(request)).booked ?? [];

describe("windows of orders", () => {
  it("hold as many as they say, however many ask at once, and each order once however often it asks", async () => {
    const orders = Array.from({ length: 40 }, (_, i) => `order-${i}`);
    const ask = () => Promise.all(orders.map((order) => claim(pool, plan, { order, offers: [], window }, "key Shop")));
    const first = await ask();
    const got = orders.filter((_, i) => "claimed" in (first[i] ?? {}));
    expect(got).toHaveLength(7);
    expect(first.filter((one) => "refused" in one).at(0)).toEqual({
      refused: { option: "round", reason: "window-full" },
    });
    const again = await ask();
    expect(orders.filter((_, i) => "claimed" in (again[i] ?? {}))).toEqual(got);
    expect(await booked()).toEqual([{ ...window, orders: 7 }]);
  });

  it("are given back with the order, changed for another, and told to the quote unless the request tells its own", async () => {
    await claim(pool, plan, { order: "a", offers: [], window }, "key Shop");
    await claim(pool, plan, { order: "b", offers: [], window }, "key Shop");
    await claim(pool, plan, { order: "a", offers: [], window: { ...window, slot: "evening" } }, "key Shop");
    expect(await booked()).toEqual([
      { ...window, slot: "evening", orders: 1 },
      { ...window, orders: 1 },
    ]);
    await giveBack(pool, "b");
    await giveBack(pool, "b");
    expect(await booked()).toEqual([{ ...window, slot: "evening", orders: 1 }]);
    const told = { ...request, booked: [{ ...window, orders: 3 }] };
    expect(await asQuoted(told)).toBe(told);
  });

  it("are told as far as a request can look, whenever it is of, and so are quoted as if all were told", async () => {
    for (let day = 0; day < 21; day += 2) {
      const on = dayOf(Date.UTC(2026, 10, 16) + day * DAY);
      await claim(pool, plan, { order: `o-${on}`, offers: [], window: { ...window, day: on } }, "key Shop");
    }
    const all = await bookedFrom(pool, "2026-01-01");
    expect(all.length).toBe(8);
    const left = new Set<number | undefined>();
    // The first and the last to see a day.
    for (const timeZone of ["Pacific/Kiritimati", "Europe/Lisbon", "Etc/GMT+12"]) {
      const shop = {
        id: "shop",
        position: 1,
        name: { en: "Shop" },
        at: [0, 0] as [number, number],
        country: "PT",
        timeZone,
      };
      const compiled = compiledPlan({ ...plan, locations: [shop] });
      const windowsAt = (asked: QuoteRequest) => quoteOf(compiled, asked).options.map(({ windows }) => windows);
      for (let hour = 0; hour < 14 * 24; hour += 7) {
        const at = isoOf(Date.UTC(2026, 10, 14) + hour * 3_600_000);
        const told = await asQuoted({ ...request, at });
        expect(told.booked?.length ?? 0).toBeLessThan(all.length);
        const windows = windowsAt(told);
        expect(windows).toEqual(windowsAt({ ...request, at, booked: all }));
        for (const one of windows[0] ?? []) left.add(one.left);
      }
    }
    // Of seven, with an order and without; the evening has no end.
    expect(left).toEqual(new Set([6, 7, undefined]));
    // Years that no calendar of a database has.
    for (const at of ["0000-01-01T00:00:00Z", "0001-01-01T00:00:00Z", "9999-12-31T23:59:59Z"])
      expect(await asQuoted({ ...request, at })).toEqual({ ...request, at });
  });

  it("are refused, and nothing else is claimed, where the option has no such window on that day", async () => {
    for (const wrong of [
      { ...window, slot: "noon" },
      { ...window, slot: "evening", day: "2026-11-26" },
      { ...window, option: "post" },
    ])
      expect(await claim(pool, plan, { order: "a", offers: [], window: wrong }, "key Shop")).toEqual({
        refused: { option: wrong.option, reason: "no-such-window" },
      });
    expect(await booked()).toEqual([]);
  });
});
