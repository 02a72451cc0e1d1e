import * as fc from "fast-check";
import { DateTime } from "luxon";
import { describe, expect, it } from "vitest";
import type { Location } from "../places/location.ts";
import { planProblems } from "../plan/problems/plan-problems.ts";
import { anyCase } from "../tests/arbitrary.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { compileWindows, type Windows } from "./windows.ts";

const shop: Location = {
  id: "shop",
  position: 1,
  name: { en: "Shop" },
  at: [41.15, -8.61],
  country: "PT",
  timeZone: "Europe/Lisbon",
  closedOn: ["2026-11-30"],
};
const clock = fc.integer({ min: 0, max: 23 * 60 }).map((minute) => {
  const two = (figure: number) => String(figure).padStart(2, "0");
  return `${two(Math.floor(minute / 60))}:${two(minute % 60)}`;
});
const slot = (id: string) =>
  fc
    .tuple(
      clock,
      fc.subarray([1, 2, 3, 4, 5, 6, 7], { minLength: 1 }),
      fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
    )
    .map(([from, days, holds]) => ({ id, days, from, until: "23:59", ...(holds === undefined ? {} : { holds }) }));
const anyWindows: fc.Arbitrary<Windows> = fc.record({
  at: fc.constant("shop"),
  lead: fc.nat(3000),
  ahead: fc.integer({ min: 1, max: 9 }),
  slots: fc.tuple(slot("a"), slot("b")).map((slots) => [...slots]),
});

describe("windows", () => {
  it("are those that luxon's calendar has: open days, far enough off, with room, by the location's clocks", () => {
    const moment = fc.integer({ min: Date.UTC(2026, 9, 20), max: Date.UTC(2026, 11, 5) });
    fc.assert(
      fc.property(anyWindows, moment, fc.nat(4), (windows, at, orders) => {
        const open = compileWindows(windows, new Map([["shop", shop]]), {})(at, (id) => (id === "a" ? orders : 0));
        const today = DateTime.fromMillis(at, { zone: "Europe/Lisbon" }).startOf("day");
        const expected = Array.from({ length: windows.ahead }, (_, i) => today.plus({ days: i }))
          .filter((day) => day.toISODate() !== "2026-11-30")
          .flatMap((day) =>
            windows.slots.flatMap(({ id, days, from, holds }) => {
              const [hour = 0, minute = 0] = from.split(":").map(Number);
              const start = day.set({ hour, minute });
              const left = holds === undefined ? undefined : holds - (id === "a" ? orders : 0);
              return days.includes(day.weekday) && start.toMillis() >= at + windows.lead * 60_000 && (left ?? 1) > 0
                ? [`${day.toISODate()} ${id} ${left ?? ""}`]
                : [];
            }),
          );
        expect(open.map(({ slot: id, day, left }) => `${day} ${id} ${left ?? ""}`).sort()).toEqual(expected.sort());
        expect(open.map(({ from }) => from)).toEqual(open.map(({ from }) => from).sort());
      }),
      { seed: 20261126, numRuns: 600 },
    );
  });

  it("are asked and answered through the quote; without one the option cannot be had, and nothing is promised on it", () => {
    const windows: Windows = {
      at: "shop",
      lead: 120,
      ahead: 2,
      slots: [{ id: "morning", days: [5, 6], from: "09:00", until: "12:00", holds: 2 }],
    };
    const amount = { byCurrency: { EUR: "5.00" } };
    const plan = compiledPlan(
      oneZonePlan({
        options: [
          { id: "round", position: 1, name: { en: "Round" }, zones: ["z"], charge: { kind: "flat", amount }, windows },
        ],
        locations: [shop],
        offers: [
          {
            ...{ id: "free", position: 1, name: "free", on: true, zones: ["z"] },
            counts: { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } },
            steps: [
              {
                ...{
                  id: "one",
                  position: 1,
                  reward: { kind: "free", options: ["round"] },
                  wording: { "on-the-way": { en: "{remaining}" } },
                },
                trigger: { kind: "goal", goal: { at: { byCurrency: { EUR: "45" } }, edge: "from" } },
              },
            ],
          },
        ],
      }),
    );
    const ask = (at: string, orders: number) =>
      quoteOf(plan, {
        ...{ at, currency: "EUR", destination: { country: "PT", postcode: "4000-001" } },
        cart: { lines: [{ sku: "any", quantity: 1, unitPrice: 1000 }] },
        booked: [{ option: "round", slot: "morning", day: "2026-11-28", orders }],
        window: { option: "round", slot: "morning", day: "2026-11-28" },
      });
    // Friday, 27 November, after the morning: Saturday's is left while it has room.
    const open = ask("2026-11-27T10:00:00Z", 1);
    expect(open.options[0]).toMatchObject({
      price: 500,
      windows: [
        {
          slot: "morning",
          day: "2026-11-28",
          from: "2026-11-28T09:00:00.000Z",
          until: "2026-11-28T12:00:00.000Z",
          left: 1,
        },
      ],
      picked: { slot: "morning", day: "2026-11-28", open: true },
    });
    expect(open.progress[0]).toMatchObject({ state: "on-the-way", remaining: 3500 });
    const full = ask("2026-11-27T10:00:00Z", 2);
    expect(full.options[0]).toMatchObject({
      available: false,
      reason: "no-window",
      windows: [],
      picked: { open: false },
    });
    expect([full.progress[0]?.state, full.messages]).toEqual(["blocked", []]);
  });

  it("change nothing of a quote while there is one to pick", () => {
    const always: Windows = {
      at: "shop",
      lead: 0,
      ahead: 7,
      slots: [{ id: "any", days: [1, 2, 3, 4, 5, 6, 7], from: "00:00", until: "23:59" }],
    };
    fc.assert(
      fc.property(anyCase(6000), ({ plan, request }) => {
        const locations = [{ ...shop, closedOn: [] }];
        const with_ = { ...plan, locations, options: plan.options.map((option) => ({ ...option, windows: always })) };
        const { options, ...rest } = quoteOf(compiledPlan(with_), request);
        const plain = quoteOf(compiledPlan({ ...plan, locations }), request);
        expect({ ...rest, options: options.map(({ windows: _, ...option }) => option) }).toEqual(plain);
      }),
      { seed: 20261126, numRuns: 100 },
    );
  });

  it("are refused with their place: no such location, hours that turn back, one name twice", () => {
    const windows: Windows = {
      ...{ at: "gone", lead: 0, ahead: 1 },
      slots: [
        { id: "a", days: [1], from: "12:00", until: "09:00" },
        { id: "a", days: [1], from: "09:00", until: "12:00" },
      ],
    };
    const charge = { kind: "flat" as const, amount: { byCurrency: { EUR: "5.00" } } };
    const plan = oneZonePlan({ options: [{ id: "o", position: 1, name: { en: "O" }, zones: ["z"], charge, windows }] });
    expect(planProblems(plan).map(({ path }) => path)).toEqual([
      "/options/0/windows/at",
      "/options/0/windows/slots/0/until",
      "/options/0/windows/slots/1/id",
    ]);
  });
});
