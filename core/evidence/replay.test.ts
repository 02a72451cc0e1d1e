import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { optionPrice } from "../quote/option-price.ts";
import { quote } from "../quote/quote.ts";
import { compile } from "../tariff/compile.ts";
import { anyCase, type Case } from "../tests/arbitrary.ts";
import "../tests/seed.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { checkPlan } from "../validation/documents.ts";
import type { PastOrder, PlainOrder } from "./past-order.ts";
import { asRunning, Replay } from "./replay.ts";
import { mergedReplays, type Replayed } from "./replayed.ts";

const SPAN = 20_000;
const RUNS = process.env.SUMMANT_ALL_ANSWERS ? 5000 : 400;
const read = checkPlan(JSON.parse(readFileSync("demo/plan.json", "utf8")));
if ("problems" in read) throw new Error("the demo cannot be read");
const demoPlan = read.value;
const demoCompiled = compiledPlan(demoPlan);

/** Every option of a plan, priced for one request. */
function agreement({ plan, request }: Case): number {
  const result = compile(plan);
  if ("problems" in result) return 0;
  const { compiled } = result;
  const whole = quote(compiled, request, { text: false });
  let compared = 0;
  for (const { id } of plan.options) {
    const price = optionPrice(compiled, request, id);
    if ("problems" in whole || "problems" in price) {
      expect("problems" in price && price.problems).toEqual("problems" in whole && whole.problems);
      continue;
    }
    const quoted = whole.quote.options.find((one) => one.id === id);
    const isSettled = quoted?.price != null && quoted.certain && !quoted.from;
    expect([id, "price" in price ? [price.price, price.fullPrice] : null]).toEqual([
      id,
      isSettled ? [quoted.price, quoted.fullPrice] : null,
    ]);
    if ("none" in price && quoted?.price === null) expect(price.none).toBe(quoted.reason);
    compared += 1;
  }
  return compared;
}

describe("the price of one option", () => {
  it("is the quote's, on random orders of random plans: 5,000 of them by npm run test:answers", () => {
    let compared = 0;
    fc.assert(
      fc.property(anyCase(SPAN), (one) => {
        compared += agreement(one);
      }),
      { numRuns: RUNS },
    );
    expect(compared).toBeGreaterThan(RUNS);
  });
});

const REQUEST: PastOrder["request"] = {
  at: "2026-11-25T09:00:00Z",
  currency: "EUR",
  destination: { country: "PT", postcode: "3000-001" },
  cart: { lines: [{ sku: "paper", quantity: 1, unitPrice: 3860 }] },
};
const order = (more: Partial<PastOrder>): PastOrder => ({
  ...{ order: "o-1", request: REQUEST, option: "standard", charged: 490 },
  ...more,
});
const worth = (unitPrice: number) => ({ ...REQUEST, cart: { lines: [{ sku: "paper", quantity: 1, unitPrice }] } });

function replayed(orders: readonly (PastOrder | PlainOrder)[], compiled = demoCompiled): Replayed {
  const replay = new Replay(compiled);
  for (const one of orders) expect(replay.add(one)).toEqual([]);
  return replay.result();
}

describe("orders under another plan", () => {
  it("add up to what each of them comes to: free, more, less, given away", () => {
    const { rows, orders, cancelled, changedMost } = replayed([
      order({}),
      order({ order: "o-2", charged: 0 }),
      order({ order: "o-3", request: worth(4500), charged: 490 }),
      order({ order: "o-4", request: worth(4500), charged: 0, cancelled: true }),
    ]);
    expect([orders, cancelled]).toEqual([3, 1]);
    expect(rows).toEqual([
      {
        ...{ currency: "EUR", zone: "portugal-mainland", option: "standard", group: null },
        ...{ charged: 980, freeBefore: 1, more: 1, less: 1, moreThanBeside: 0, lessThanBeside: 0 },
        now: { orders: 3, delivery: 980, free: 1, givenAway: 490 },
        beside: { orders: 0, delivery: 0, free: 0, givenAway: 0 },
      },
    ]);
    expect(changedMost.map((one) => [one.order, one.charged, one.now])).toEqual([
      ["o-2", 0, 490],
      ["o-3", 490, 0],
    ]);
  });

  it("are counted apart where nothing can be said, or the option could not have been had", () => {
    const { rows, cannotBeTold, notToBeHad } = replayed([
      order({ request: { ...REQUEST, destination: { country: "PT" } } }),
      order({ request: { ...REQUEST, destination: { country: "BR" } } }),
      order({ option: "no-such-option" }),
      { order: "o-9", at: REQUEST.at, currency: "EUR", total: 4000, charged: 490 },
    ]);
    expect(rows).toEqual([]);
    expect(cannotBeTold).toEqual([
      { why: "only-a-total", orders: 1 },
      { why: "place-unknown", orders: 1 },
    ]);
    expect(notToBeHad).toEqual([
      { why: "nobody-delivers", orders: 1 },
      { why: "not-offered", orders: 1 },
    ]);
  });

  it("meet every offer as if it ran, unless they are asked for at their own moment", () => {
    const schedule = [{ from: "2030-01-01T00:00" }];
    const later = { ...demoPlan, offers: demoPlan.offers.map((offer) => ({ ...offer, schedule })) };
    const at = (plan: typeof demoPlan) =>
      replayed([order({ request: worth(4500) })], compiledPlan(plan)).rows[0]?.now.delivery;
    expect([at(later), at(asRunning(later))]).toEqual([490, 0]);
  });

  it("take the uses that were known then; without them no limit stands in the way, which is counted", () => {
    const limits = { overall: 10, perShopper: 1 };
    const offers = demoPlan.offers.map((offer) => (offer.id === "free-standard" ? { ...offer, limits } : offer));
    const compiled = compiledPlan({ ...demoPlan, offers });
    const usedUp = { ...worth(4500), uses: [{ offer: "free-standard", overall: 10 }] };
    const { rows, limitsIgnored } = replayed([order({ request: worth(4500) }), order({ request: usedUp })], compiled);
    expect([rows[0]?.now.orders, rows[0]?.now.delivery, limitsIgnored]).toEqual([2, 490, 1]);
  });

  it("of which the twenty that change most are kept, however they come", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 5000 }), { maxLength: 60 }), (charges) => {
        const { changedMost } = replayed(charges.map((charged, i) => order({ order: `o-${i}`, charged })));
        const due = charges
          .map((charged) => Math.abs(charged - 490))
          .filter((change) => change > 0)
          .sort((a, b) => b - a)
          .slice(0, 20);
        expect(changedMost.map(({ charged, now }) => Math.abs(charged - now))).toEqual(due);
      }),
      { numRuns: 60 },
    );
  });

  it("stand beside another plan, told apart by groups, and come to the same in parts", () => {
    const dearer = demoPlan.options.map((option) =>
      option.id === "standard"
        ? { ...option, charge: { kind: "flat" as const, amount: { byCurrency: { EUR: "5.90" } } } }
        : option,
    );
    const beside = demoCompiled;
    const compiled = compiledPlan({ ...demoPlan, options: dearer });
    const groupOf = ({ request: { cart } }: PastOrder) => ((cart.lines[0]?.unitPrice ?? 0) < 3000 ? 0 : 1);
    const orders = [1000, 2000, 3860, 4500, 9000].map((price, i) => order({ order: `o-${i}`, request: worth(price) }));
    const replayOf = (some: readonly PastOrder[]) => {
      const replay = new Replay(compiled, { beside, groupOf });
      for (const one of some) replay.add(one);
      return replay.result();
    };
    const whole = replayOf(orders);
    const told = whole.rows.map((row) => [row.group, row.now.delivery, row.beside.delivery, row.moreThanBeside]);
    expect(told).toEqual([
      [0, 1180, 980, 2],
      [1, 590, 490, 1],
    ]);
    expect(mergedReplays([replayOf(orders.slice(0, 2)), replayOf(orders.slice(2))])).toEqual(whole);
  });
});
