import type { RowDataPacket } from "mysql2/promise";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { ListedOrder, ReplayPick } from "../../core/evidence/listed-orders.ts";
import { TOTAL } from "../../core/evidence/order-facts.ts";
import { rowsBy } from "../../core/evidence/replayed.ts";
import { planOf } from "../../core/plan/entities.ts";
import type { Reward } from "../../core/rewards/reward.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore, loadDemo } from "../demo/load-demo.ts";
import { beginHistory, continueHistory } from "../demo/load-history.ts";
import { applyChangeSet } from "../draft/change-set.ts";
import { readDraft } from "../draft/read-draft.ts";
import { ordersOfReplay, ordersOfWorth } from "./list-orders.ts";
import { readGoods } from "./read-spread.ts";
import { lookAtReplay, startReplay } from "./replay-jobs.ts";
import { rolledUp } from "./roll-up.ts";
import { marketKey, statedFigures, stateFigure } from "./stated-figures.ts";
import { tellGain } from "./told-gain.ts";
import { tellBars } from "./told-spread.ts";
import { closeThreads } from "./worker-pool.ts";

const pool = openPool(databaseUrl(), 6);
const filter = { currency: "EUR", market: "portugal" };

beforeAll(async () => {
  await emptyStore(pool);
  await loadDemo(pool, "demo");
  await beginHistory(pool);
  await continueHistory(pool, 1500);
}, 120_000);
afterAll(async () => {
  await emptyStore(pool);
  await closeThreads();
  await pool.end();
});

async function counted(): Promise<number> {
  for (;;) {
    const rolled = await rolledUp(pool, TOTAL);
    if ("id" in rolled) return rolled.id;
  }
}

async function replayed() {
  // As it comes from a page, with what it is besides.
  const asked = { do: "replay", filter, counting: TOTAL, edges: [4000, 9000], atItsOwnMoment: false } as const;
  const started = await startReplay(pool, asked);
  if (!("job" in started)) throw new Error("the demo's draft is sound");
  for (;;) {
    const state = lookAtReplay(started.job);
    if (state?.state === "done") return { job: started.job, ...state };
    if (state?.state !== "running") throw new Error(`the replay is ${state?.state}`);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

/** All pages, one after the other. */
async function all(
  ask: (after: string | undefined) => Promise<{ orders: readonly ListedOrder[]; after: string | null } | null>,
) {
  const orders: ListedOrder[] = [];
  let after: string | undefined;
  for (;;) {
    const page = await ask(after);
    if (!page) throw new Error("it is not there any more");
    orders.push(...page.orders);
    if (page.after === null) return orders;
    after = page.after;
  }
}
const sum = (orders: readonly ListedOrder[], of: (order: ListedOrder) => number | null) =>
  orders.reduce((total, one) => total + (of(one) ?? 0), 0);

/** Puts a step with another reward at the goal of the demo's free standard delivery. */
async function giveBesides(reward: Reward): Promise<void> {
  const { entities } = await readDraft(pool);
  const offer = planOf(entities)?.offers.find(({ id }) => id === "free-standard");
  const [first] = offer?.steps ?? [];
  if (!offer || !first) throw new Error("the demo has the offer");
  const seen = entities.find(({ id }) => id === offer.id)?.revision ?? 0;
  const body = { ...offer, steps: [first, { ...first, id: "besides", position: 99, reward }] };
  const applied = await applyChangeSet(pool, { writes: [{ kind: "offer", id: offer.id, seen, body }] }, "test");
  if (!("sequence" in applied)) throw new Error(JSON.stringify(applied));
}

describe("a figure of past orders opens to what it is made of", () => {
  it("sums of a replay, by zone, option, peak and why there is none: to just the orders that were added up", async () => {
    const { job, replayed: found } = await replayed();
    let opened = 0;
    for (const by of ["zone", "option", "group"] as const)
      for (const row of rowsBy(found.rows, (one) => String(one[by]))) {
        const pick: ReplayPick = by === "group" ? { by, is: row.group ?? -1 } : { by, is: row[by] };
        const orders = await all((after) => ordersOfReplay(pool, { job, pick, ...(after ? { after } : {}) }));
        expect([by, orders.length, sum(orders, ({ charged }) => charged)]).toEqual([by, row.now.orders, row.charged]);
        expect(sum(orders, ({ now }) => now)).toBe(row.now.delivery);
        expect(sum(orders, ({ beside }) => beside)).toBe(row.beside.delivery);
        opened += 1;
      }
    expect(opened).toBeGreaterThan(6);
    for (const { why, orders } of [...found.cannotBeTold, ...found.notToBeHad]) {
      const listed = await all((after) =>
        ordersOfReplay(pool, { job, pick: { by: "why", is: why }, ...(after ? { after } : {}) }),
      );
      expect([why, listed.length]).toEqual([why, orders]);
    }
    expect(await ordersOfReplay(pool, { job: "r-gone", pick: { by: "zone", is: "z" } })).toBeNull();
  }, 60_000);

  it("bars of the spread: to their orders, each once", async () => {
    const id = await counted();
    const { bars, orders } = await tellBars(pool, id, { filter, counting: TOTAL, width: 2000 });
    const seen = new Set<string>();
    for (const [i, { from, to, orders: count }] of bars.entries()) {
      const end = i === bars.length - 1 ? {} : { below: to };
      const listed = await all((after) =>
        ordersOfWorth(pool, id, { filter, counting: TOTAL, from, ...end, ...(after ? { after } : {}) }),
      );
      expect([from, listed.length]).toEqual([from, count]);
      for (const { order, worth } of listed) {
        expect(worth).toBeGreaterThanOrEqual(from);
        seen.add(order);
      }
    }
    expect(seen.size).toBe(orders);
  }, 60_000);
});

describe("what a goal would bring", () => {
  it("goes by the margins of what was bought, category by category", async () => {
    const id = await counted();
    const mix = await readGoods(pool, id, filter);
    const worth = (name: string) =>
      mix.filter(({ categories }) => categories.includes(name)).reduce((total, one) => total + one.worth, 0);
    const whole = mix.reduce((total, one) => total + one.worth, 0);
    expect(worth("paper")).toBeGreaterThan(0);
    const told = await tellGain(pool, id, { filter, counting: TOTAL });
    const [paper, ink] = [worth("paper"), worth("ink")];
    expect(told.margin).toBeCloseTo((0.46 * paper + 0.38 * ink + 0.4 * (whole - paper - ink)) / whole, 9);
    await stateFigure(pool, { kind: "margin", category: "paper", figure: null });
    await stateFigure(pool, { kind: "margin", category: "ink", figure: null });
    expect((await tellGain(pool, id, { filter, counting: TOTAL })).margin).toBeCloseTo(0.4, 12);
    await stateFigure(pool, { kind: "margin", figure: null });
    await stateFigure(pool, { kind: "share", currency: "EUR", market: "portugal", figure: 3000 });
    const without = await tellGain(pool, id, { filter, counting: TOTAL });
    expect([without.margin, without.gain, without.share?.share]).toEqual([null, null, 0.3]);
    await stateFigure(pool, { kind: "margin", figure: 4000 });
    expect((await tellGain(pool, id, { filter, counting: TOTAL })).gain?.curve.length).toBeGreaterThan(5);
    await stateFigure(pool, { kind: "share", currency: "EUR", market: "portugal", figure: null });
  }, 60_000);

  it("takes what the store states of its deliveries and shoppers, for one market alone, until it is taken back", async () => {
    const id = await counted();
    await stateFigure(pool, { kind: "delivery", currency: "EUR", figure: 555 });
    await stateFigure(pool, { kind: "share", currency: "EUR", market: "portugal", figure: 2500 });
    await stateFigure(pool, { kind: "share", currency: "EUR", market: "portugal", figure: 3000 });
    expect((await statedFigures(pool)).shares).toEqual({ [marketKey(filter)]: 0.3 });
    const told = await tellGain(pool, id, { filter, counting: TOTAL });
    expect([told.perDelivery, told.given?.delivery, told.share]).toEqual([
      ...[555, 555],
      { share: 0.3, low: 0.3, high: 0.3, isGuess: true },
    ]);
    const elsewhere = await tellGain(pool, id, { filter: { currency: "EUR", market: "euro-area" }, counting: TOTAL });
    expect(elsewhere.statedShare).toBeNull();
    await stateFigure(pool, { kind: "delivery", currency: "EUR", figure: null });
    await stateFigure(pool, { kind: "share", currency: "EUR", market: "portugal", figure: null });
    expect((await tellGain(pool, id, { filter, counting: TOTAL })).statedShare).toBeNull();
  }, 60_000);

  it("counts gifts and money off that are given at the same goal", async () => {
    const id = await counted();
    const step = { offer: "free-standard", step: (await firstStep()).id };
    const ask = () => tellGain(pool, id, { filter, counting: TOTAL, step });
    await stateFigure(pool, { kind: "share", currency: "EUR", market: "portugal", figure: 3000 });
    const free = await ask();
    expect([free.given?.order, free.isFreeDelivery]).toEqual([0, true]);
    await giveBesides({ kind: "order-money-off", amount: { byCurrency: { EUR: "2.00" } } });
    const besides = await ask();
    expect([besides.given?.order, besides.isFreeDelivery]).toEqual([200, false]);
    const [before, after] = [free.gain?.curve ?? [], besides.gain?.curve ?? []];
    expect(after.length).toBeGreaterThan(5);
    expect(after.length).toBe(before.length);
    for (const [i, one] of after.entries()) {
      const { adding, reaching, gain } = before[i] ?? { adding: 0, reaching: 0, gain: 0 };
      // The orders a week are told to a tenth.
      expect(Math.abs(one.rewards - 200 * (adding + reaching))).toBeLessThan(25);
      expect(Math.abs(one.gain - (gain - one.rewards))).toBeLessThanOrEqual(2);
    }
    // A gift costs what it is sold for less the margin on it.
    await giveBesides({ kind: "gift", sku: "laid-paper-a5", quantity: 1 });
    const [[sold]] = await pool.query<RowDataPacket[]>(
      "SELECT minor FROM product_prices WHERE sku = 'laid-paper-a5' AND currency = 'EUR'",
    );
    expect((await ask()).given?.order).toBe(Math.round(Number(sold?.minor) * 0.6));
    await giveBesides({ kind: "gift", sku: "not-sold-here", quantity: 1 });
    const untold = await ask();
    expect([untold.given, untold.gain]).toEqual([null, null]);
  }, 60_000);
});

async function firstStep() {
  const { entities } = await readDraft(pool);
  const step = planOf(entities)?.offers.find(({ id }) => id === "free-standard")?.steps[0];
  if (!step) throw new Error("the demo has the offer");
  return step;
}
