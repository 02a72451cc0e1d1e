import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import type { Pool, RowDataPacket } from "mysql2/promise";
import { chanceFrom } from "../../core/evidence/chance.ts";
import { TOTAL } from "../../core/evidence/order-facts.ts";
import type { PastOrder } from "../../core/evidence/past-order.ts";
import { entitiesOf } from "../../core/plan/entities.ts";
import { prepareDatabase } from "../../scripts/setup/app-server.mjs";
import { startDatabase } from "../../scripts/setup/database.mjs";
import { MARIADB, needDebianPackages } from "../../scripts/setup/debian-packages.mjs";
import { openPool } from "../../server/database/pool.ts";
import { emptyStore } from "../../server/demo/load-demo.ts";
import { applyChangeSet } from "../../server/draft/change-set.ts";
import { answerEvidence } from "../../server/evidence/answer-evidence.ts";
import { lookAtReplay, startReplay } from "../../server/evidence/replay-jobs.ts";
import { rolledUp } from "../../server/evidence/roll-up.ts";
import { closeThreads } from "../../server/evidence/worker-pool.ts";
import { deliverersOf } from "../../server/orders/deliverers.ts";
import { readOrders } from "../../server/orders/read-orders.ts";
import { writeOrders } from "../../server/orders/write-orders.ts";
import { releaseDraft } from "../../server/releases/make-release.ts";
import { fixturePlan, REQUEST } from "../engine/fixture.ts";
import { report } from "../interleaved.ts";
import { median } from "../median.ts";

// The demo's history, and as many orders again as make a million: what the section answers from what is rolled up; and how long
// pricing them anew takes on all cores, against reading them and making requests of them on one, by the demo's plan and by the one
// that the engine is measured on.
const root = fileURLToPath(new URL("../../", import.meta.url));
const MANY = Number(process.env.ORDERS ?? 1_000_000);
/** Of the engine's plan, as many as tell a ratio. */
const OF_FIXTURE = Math.min(MANY, 250_000);
const EUROS = { currency: "EUR" };
const PORTUGAL = { ...EUROS, market: "portugal" };
/** As many ids as a thread is handed at once. */
const PART = 4000;
const FOUR_HOURS = 4 * 3_600_000;
const SEED = 20_261_127;
/** Orders of the engine's plan that the others are copies of. */
const SOME = 5000;

needDebianPackages(MARIADB);
const folder = mkdtempSync(join(tmpdir(), "bench-evidence-"));
const database = await startDatabase(folder);
prepareDatabase(root, database.url, { resetDemo: true, history: true, fromSources: true });
process.env.SUMMANT_DATABASE_URL = database.url;
const pool = openPool(database.url, 6, FOUR_HOURS);
try {
  const few = await answers();
  const orders = await multiplied(pool, MANY);
  const rolling = await timed(rollUp);
  const many = await answers();
  for (const [i, name] of ["overview", "spread", "gain"].entries())
    report(`${name}, ${orders} orders / 30,000`, (many[i] ?? 0) / (few[i] ?? 1), {
      many: many[i] ?? 0,
      few: few[i] ?? 0,
    });
  console.log(`rolled up for the first time in ${(rolling / 1000).toFixed(0)} s`);
  await priceAnew("the demo's plan");
  await loadFixture();
  await multiplied(pool, OF_FIXTURE);
  await priceAnew("the engine's plan");
} finally {
  await closeThreads();
  await pool.end();
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}

async function priceAnew(whose: string): Promise<void> {
  const read = await timed(readAll);
  const replay = await timed(replayAll);
  report(`pricing orders anew on all cores / reading them on one, ${whose}`, replay / read, { replay, read });
}

/** Puts the engine's plan in the place of the demo, with orders of it: carts, shoppers and places drawn alike in every run. */
async function loadFixture(): Promise<void> {
  await emptyStore(pool);
  const plan = fixturePlan(1);
  const writes = entitiesOf(plan).map(({ kind, id, body }) => ({ kind, id, seen: 0, body }));
  const applied = await applyChangeSet(pool, { writes }, "bench");
  if (!("sequence" in applied)) throw new Error(JSON.stringify(applied));
  const released = await releaseDraft(pool, applied.sequence, "bench");
  if (!("release" in released)) throw new Error(JSON.stringify(released));
  const chance = chanceFrom(SEED);
  const below = (count: number) => Math.floor(chance() * count);
  const orders = Array.from({ length: SOME }, (_, i): PastOrder => {
    const market = plan.markets[below(plan.markets.length)];
    return {
      order: `B-${i}`,
      request: {
        ...REQUEST,
        destination: { country: market?.name ?? "DE", postcode: postcodeIn(market?.name ?? "DE", below(100_000)) },
        cart: { ...REQUEST.cart, lines: REQUEST.cart.lines.map((line) => ({ ...line, quantity: 1 + below(4) })) },
      },
      option: plan.options[below(plan.options.length)]?.id ?? "",
      charged: 490,
    };
  });
  const { added } = await writeOrders(pool, orders, deliverersOf(pool));
  if (added !== SOME) throw new Error(`${added} orders were written`);
}

function postcodeIn(country: string, number: number): string {
  const digits = String(number).padStart(5, "0");
  return country === "PT" ? `${digits.slice(0, 4)}-001` : digits;
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

async function rollUp(): Promise<void> {
  while (!("id" in (await rolledUp(pool, TOTAL))));
}

/** What the section asks when it is opened: milliseconds of each, the median of some. */
async function answers(): Promise<number[]> {
  await rollUp();
  const asked = [
    { do: "overview" },
    { do: "spread", filter: PORTUGAL, counting: TOTAL },
    { do: "gain", filter: PORTUGAL, counting: TOTAL },
  ] as const;
  const times: number[] = [];
  for (const one of asked) {
    const some: number[] = [];
    for (let i = 0; i < 7; i += 1) some.push(await timed(() => answerEvidence(pool, one)));
    times.push(median(some));
  }
  return times;
}

interface RangeRow extends RowDataPacket {
  least: number;
  most: number;
}
interface CountRow extends RowDataPacket {
  orders: number;
}

/** Writes the orders again and again, under other numbers, until there are so many. @returns how many there are */
async function multiplied(on: Pool, many: number): Promise<number> {
  const count = async () => {
    const [[row]] = await on.query<CountRow[]>("SELECT COUNT(*) AS orders FROM orders");
    return row?.orders ?? 0;
  };
  const orders = await count();
  const { least, most } = await range();
  // One copy begins where the one before it ends.
  const width = most - least + 1;
  const columns =
    "placed_at, day, currency, total, charged, cost, chosen, market, zone, channel, buyer, shopper, made_under, is_cancelled, request, content_hash";
  for (let copy = 1; copy * orders < many; copy += 1) {
    await on.query(
      `INSERT INTO orders (id, number, ${columns}) SELECT id + ?, CONCAT(number, '-', ?), ${columns} FROM orders WHERE id <= ?`,
      [copy * width, copy, most],
    );
    await on.query(
      `INSERT INTO order_lines (order_id, position, sku, quantity, unit_price, discount, more)
       SELECT order_id + ?, position, sku, quantity, unit_price, discount, more FROM order_lines WHERE order_id <= ?`,
      [copy * width, most],
    );
  }
  await on.query(
    "INSERT IGNORE INTO order_days_due (counting, day, turn) SELECT DISTINCT c.id, o.day, UUID_SHORT() FROM countings c JOIN orders o",
  );
  return count();
}

/** Reads every order in euros as a request, in one thread. */
async function readAll(): Promise<void> {
  const { least, most } = await range();
  for (let from = least; from <= most; from += PART)
    await readOrders(pool, { from, to: from + PART - 1, filter: EUROS });
}

async function range(): Promise<{ least: number; most: number }> {
  const [[row]] = await pool.query<RangeRow[]>("SELECT MIN(id) AS least, MAX(id) AS most FROM orders");
  return { least: row?.least ?? 1, most: row?.most ?? 0 };
}

async function replayAll(): Promise<void> {
  const started = await startReplay(pool, { filter: EUROS, counting: TOTAL, edges: [], atItsOwnMoment: false });
  if (!("job" in started)) throw new Error("the demo's draft can be priced by");
  for (;;) {
    const state = lookAtReplay(started.job);
    if (state?.state === "done") return;
    if (state?.state !== "running") throw new Error(`the replay is ${state?.state}`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
