import type { PoolConnection, RowDataPacket } from "mysql2/promise";
import { afterAll, afterEach, beforeEach, describe, expect, it } from "vitest";
import { TOTAL, type ValueCounting } from "../../core/evidence/order-facts.ts";
import type { PastOrder, PlainOrder } from "../../core/evidence/past-order.ts";
import { inEnglish } from "../../core/tests/in-english.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore, loadDemo } from "../demo/load-demo.ts";
import { readSpread } from "../evidence/read-spread.ts";
import { lookAtReplay, type ReplayState, startReplay, stopReplay } from "../evidence/replay-jobs.ts";
import { rolledUp } from "../evidence/roll-up.ts";
import { closeThreads } from "../evidence/worker-pool.ts";
import { eraseShopper, shopperData } from "../shoppers/shopper-data.ts";
import { answerOrders } from "./answer-orders.ts";
import { deliverersOf } from "./deliverers.ts";
import { checkPart, faultsOf, stageLines, stageRows, writePart } from "./import-orders.ts";
import { readOrders } from "./read-orders.ts";
import { faultsCsv } from "./told-faults.ts";
import { writeOrders } from "./write-orders.ts";

interface CountRow extends RowDataPacket {
  Value: string;
}

const pool = openPool(databaseUrl(), 6);
beforeEach(async () => {
  await emptyStore(pool);
  await loadDemo(pool, "demo");
});
afterEach(() => emptyStore(pool));
afterAll(async () => {
  await closeThreads();
  await pool.end();
});

const past = (order: string, unitPrice: number, more: Partial<PastOrder> = {}): PastOrder => ({
  order,
  request: {
    at: "2026-11-02T23:30:00Z",
    currency: "EUR",
    locale: "pt-PT",
    channel: "web",
    destination: { country: "PT", postcode: "3000-001", street: "Rua do Papel 1" },
    shopper: { id: "s-1", signedIn: true },
    cart: {
      lines: [
        { sku: "laid-paper-a5", quantity: 1, unitPrice, categories: ["paper"] },
        { sku: "gift-card", quantity: 1, unitPrice: 1000, discount: 100, categories: ["gift-cards"], taxRate: "0" },
      ],
    },
  },
  option: "standard",
  charged: 490,
  cost: 412,
  buyer: "returning",
  ...more,
});
const plain: PlainOrder = { order: "p-1", at: "2026-11-02T10:00:00Z", currency: "JPY", total: 5200, charged: 900 };
const write = (...orders: (PastOrder | PlainOrder)[]) => writeOrders(pool, orders, deliverersOf(pool));

async function spreadOf(currency: string, counting = TOTAL) {
  for (;;) {
    const rolled = await rolledUp(pool, counting);
    if ("id" in rolled) return readSpread(pool, rolled.id, { currency });
  }
}
const worths = async (currency: string, counting = TOTAL) =>
  (await spreadOf(currency, counting)).spread.map(({ value, orders }) => [value, orders]);

/** So many rows a connection has had looked at. */
async function rowsRead(connection: PoolConnection): Promise<number> {
  const [rows] = await connection.query<CountRow[]>("SHOW SESSION STATUS LIKE 'Handler_read%'");
  return rows.reduce((sum, row) => sum + Number(row.Value), 0);
}

describe("past orders", () => {
  it("come out as they went in, with their place, market and day as the release says", async () => {
    expect(await write(past("o-1", 4100), plain)).toEqual({ added: 2, changed: 0, same: 0 });
    const [stored] = await readOrders(pool, { number: "o-1" });
    expect(stored).toMatchObject({ market: "portugal", zone: "portugal-mainland", channel: "web" });
    expect(stored?.order).toEqual(past("o-1", 4100));
    const [only] = await readOrders(pool, { number: "p-1" });
    expect([only?.order, only?.market]).toEqual([{ ...plain, at: "2026-11-02T10:00:00.000Z" }, "japan"]);
    const [days] = await pool.query("SELECT DATE_FORMAT(day, '%Y-%m-%d') AS day FROM orders ORDER BY id");
    // 23:30 of the second in Lisbon; in Japan 19:00.
    expect(days).toEqual([{ day: "2026-11-02" }, { day: "2026-11-02" }]);
  });

  it("sent again add nothing; changed or cancelled they take their own place, in what is rolled up too", async () => {
    await write(past("o-1", 4100), past("o-2", 2000));
    expect(await worths("EUR")).toEqual([
      [2900, 1],
      [5000, 1],
    ]);
    const [known] = await readOrders(pool, { number: "o-1" });
    const again = JSON.parse(JSON.stringify(past("o-1", 4100)));
    const { request, ...others } = again;
    expect(await write({ request, ...others }, past("o-2", 3000))).toEqual({ added: 0, changed: 1, same: 1 });
    expect((await readOrders(pool, { number: "o-1" }))[0]?.id).toBe(known?.id);
    expect(await worths("EUR")).toEqual([
      [3900, 1],
      [5000, 1],
    ]);
    await write(past("o-2", 3000, { cancelled: true }));
    expect(await worths("EUR")).toEqual([[5000, 1]]);
    // Another way of counting: what the goods cost without gift cards.
    const counting: ValueCounting = {
      kind: "value",
      basis: { ...TOTAL.basis, leavesOut: { categories: ["gift-cards"] } },
    };
    expect(await worths("EUR", counting)).toEqual([[4100, 1]]);
    await write(plain);
    expect((await spreadOf("JPY", counting)).uncounted).toBe(1);
    expect(await worths("JPY")).toEqual([[5200, 1]]);
  });

  it("written at once by many end up there once each", async () => {
    const batches = Array.from({ length: 8 }, (_, i) =>
      write(...Array.from({ length: 10 }, (_, n) => past(`o-${(i + n) % 12}`, 1000 + n))),
    );
    const done = await Promise.all(batches);
    const [[row]] = await pool.query<never[]>(
      "SELECT COUNT(*) AS orders, COUNT(DISTINCT number) AS numbers FROM orders",
    );
    expect(row).toEqual({ orders: 12, numbers: 12 });
    expect(done.reduce((sum, { added }) => sum + added, 0)).toBe(12);
    expect((await spreadOf("EUR")).spread.reduce((sum, { orders }) => sum + orders, 0)).toBe(12);
  });

  it("of a day are found without going through all others", async () => {
    const days = Array.from({ length: 100 }, (_, i) => new Date(Date.UTC(2026, 0, 1 + i, 12)).toISOString());
    const each = days.flatMap((at, i) =>
      [1, 2, 3].map((k) => past(`o-${i}-${k}`, 4100, { request: { ...past("", 0).request, at } })),
    );
    await write(...each);
    const connection = await pool.getConnection();
    try {
      const before = await rowsRead(connection);
      const found = await readOrders(connection, { days: [days[40]?.slice(0, 10) ?? ""] });
      expect(found.map(({ order }) => order.order)).toEqual(["o-40-1", "o-40-2", "o-40-3"]);
      // Three orders with two lines each, some of them looked at twice; there are 900 rows in all.
      expect((await rowsRead(connection)) - before).toBeLessThan(60);
    } finally {
      connection.release();
    }
  });

  it("are rolled up alike on days with thousands of them and on days with few", async () => {
    const at = (day: number) => `2026-11-0${day}T10:00:00Z`;
    const many = [
      ...Array.from({ length: 2100 }, (_, i) => ({ ...plain, order: `m-${i}`, at: at(3), total: 100 * (i % 50) })),
      ...Array.from({ length: 90 }, (_, i) => ({ ...plain, order: `f-${i}`, at: at(1 + (i % 9)), total: 7000 })),
    ];
    await write(...many);
    const tally = new Map<number, number>();
    for (const { total } of many) tally.set(total, (tally.get(total) ?? 0) + 1);
    expect(await worths("JPY")).toEqual([...tally].sort(([a], [b]) => a - b));
    const [days] = await pool.query("SELECT SUM(orders) AS orders FROM order_days GROUP BY day ORDER BY day");
    expect(days).toEqual([10, 10, 2110, 10, 10, 10, 10, 10, 10].map((orders) => ({ orders: String(orders) })));
  });

  it("of a shop are taken all or none, and what is wrong is said with its place", async () => {
    const faulty = { ...past("o-2", 100), charged: -1 };
    const strange = past("o-3", 100, { request: { ...past("o-3", 100).request, at: "2026-11-31T10:00:00Z" } });
    const refused = await answerOrders(pool, [past("o-1", 100), faulty, strange]);
    expect(refused.status).toBe(422);
    const { errors } = JSON.parse(refused.body);
    expect(errors.map(({ pointer }: { pointer: string }) => pointer)).toEqual([
      "#/orders/1/charged",
      "#/orders/2/request/at",
    ]);
    expect(await readOrders(pool, { number: "o-1" })).toEqual([]);
    expect(JSON.parse((await answerOrders(pool, [past("o-1", 100)])).body)).toEqual({ added: 1, changed: 0, same: 0 });
  });

  it("lose who it was when a shopper is erased, and no figure", async () => {
    await write(past("o-1", 4100));
    const before = await worths("EUR");
    expect((await shopperData(pool, "s-1")).orders).toEqual([past("o-1", 4100)]);
    expect(await eraseShopper(pool, "s-1")).toEqual({ claims: 0, counts: 0, orders: 1 });
    const [rows] = await pool.query("SELECT * FROM orders");
    expect(JSON.stringify(rows)).not.toMatch(/s-1|Rua do Papel/);
    expect(await worths("EUR")).toEqual(before);
    const [stored] = await readOrders(pool, { number: "o-1" });
    expect(stored?.order).toMatchObject({ charged: 490, request: { destination: { postcode: "3000-001" } } });
    // The file it came from adds nothing, and brings nobody back.
    expect(await write(past("o-1", 4100))).toEqual({ added: 0, changed: 0, same: 1 });
  });
});

const HEADER = "order,at,currency,country,postcode,option,delivery,cancelled,sku,quantity,unit_price".split(",");
const GOOD = [
  ["o-1", "2026-11-02 10:00Z", "EUR", "PT", "3000-001", "standard", "4.90", "", "laid-paper-a5", "2", "9.80"],
  ["o-1", "", "", "", "", "", "", "", "iron-gall-ink", "1", "12.50"],
  ["o-2", "2026-11-02T11:00:00Z", "EUR", "PT", "3000-001", "standard", "0.00", "yes", "bone-folder", "10", "6.50"],
];
const stage = (rows: readonly (readonly string[])[], header = HEADER) =>
  stageRows(pool, "i-1", { header, first: 2, rows });

describe("a file of orders", () => {
  it("with a line for each order line is read, checked, and written once", async () => {
    expect(await stage(GOOD)).toEqual([]);
    expect(await checkPart(pool, "i-1")).toEqual({ added: 2, changed: 0, same: 0, faulty: 0, after: null });
    expect(await writePart(pool, "i-1", { sound: false })).toEqual({ added: 2, changed: 0, same: 0, after: null });
    const [stored] = await readOrders(pool, { number: "o-1" });
    expect(stored?.order).toMatchObject({
      charged: 490,
      request: {
        at: "2026-11-02T10:00:00Z",
        cart: {
          lines: [
            { sku: "laid-paper-a5", quantity: 2, unitPrice: 980 },
            { sku: "iron-gall-ink", quantity: 1, unitPrice: 1250 },
          ],
        },
      },
    });
    expect(await worths("EUR")).toEqual([[3210, 1]]);
    await stage(GOOD);
    expect(await checkPart(pool, "i-1")).toMatchObject({ added: 0, same: 2 });
    expect(await writePart(pool, "i-1", { sound: false })).toMatchObject({ added: 0, changed: 0, same: 2 });
  });

  it("with faults is refused whole with all of them by row and column; its sound orders are taken when that is asked for", async () => {
    await stage([
      ...GOOD,
      ["o-3", "2026-11-02T11:00:00", "EUR", "PT", "3000-001", "standard", "4.90", "", "ink", "1", "6.50"],
      ["o-4", "2026-11-02T11:00:00Z", "EUR", "PT", "3000-001", "standard", "4.905", "", "ink", "one", "6.50"],
      ["o-5", "2026-11-02T11:00:00Z", "EUR", "PT", "3000-001", "standard", "4.90", "", "ink", "1", "6.50"],
      ["o-5", "2026-11-02T11:00:00Z", "GBP", "PT", "3000-001", "standard", "4.90", "", "ink", "1", "6.50"],
      ["o-6", "2026-11-02T11:00:00Z", "EUR", "PT"],
      ["", "2026-11-02T11:00:00Z", "EUR", "PT", "3000-001", "standard", "4.90", "", "ink", "1", "6.50"],
      ["o-7", "2026-11-02T11:00:00Z", "EUR", "Portugal", "3000-001", "standard", "4.90", "maybe", "ink", "1", "6.50"],
      ["o-8", "2026-11-02T11:00:00Z", "EUR", "Portugal", "3000-001", "standard", "4.90", "", "ink", "1", "6.50"],
      ["o-9", "2026-11-31T11:00:00Z", "EUR", "PT", "3000-001", "standard", "4.90", "", "ink", "1", "6.50"],
    ]);
    expect(await checkPart(pool, "i-1")).toEqual({ added: 2, changed: 0, same: 0, faulty: 7, after: null });
    const told = (await faultsOf(pool, "i-1")).map(({ row, column, message }) => [row, column, inEnglish(message)]);
    expect(told).toEqual([
      [5, 2, "says no offset, such as Z or +01:00, so it is no certain moment"],
      [6, 7, '"4.905" is no amount in EUR'],
      [6, 10, '"one" is no whole number'],
      [8, 3, "says something else than row 7 of the same order"],
      [9, undefined, "has 4 cells, the first row 11"],
      [10, 1, "is missing"],
      [11, 8, '"maybe" is neither yes nor no'],
      [12, 4, expect.stringMatching(/^must be/)],
      [13, 2, expect.stringMatching(/date-time/)],
    ]);
    expect(faultsCsv(await faultsOf(pool, "i-1")).split("\r\n")[2]).toBe('6,7,"""4.905"" is no amount in EUR"');
    expect(await writePart(pool, "i-1", { sound: false })).toBe("has faults");
    expect(await readOrders(pool, { number: "o-1" })).toEqual([]);
    expect(await writePart(pool, "i-1", { sound: true })).toMatchObject({ added: 2, after: null });
  });

  it("whose columns are not known is refused at once", async () => {
    const faults = await stage([], ["order", "at", "at", "worth"]);
    expect(faults.map(({ column, message }) => [column, inEnglish(message)])).toEqual([
      [3, 'the column "at" is there twice'],
      [4, 'there is no column "worth"'],
      [undefined, 'the column "currency" is missing'],
      [undefined, 'the column "total" is missing'],
      [undefined, 'the column "delivery" is missing'],
    ]);
  });

  it("may have a line for each order with its total alone, or JSON on each line", async () => {
    await stage(
      [["p-2", "2026-11-02T11:00:00Z", "KWD", "12.500", "1.250"]],
      ["order", "at", "currency", "total", "delivery"],
    );
    await checkPart(pool, "i-1");
    await writePart(pool, "i-1", { sound: false });
    expect(await worths("KWD")).toEqual([[12_500, 1]]);
    const lines = [JSON.stringify(past("o-1", 4100)), "", "{", JSON.stringify({ ...plain, total: "much" })];
    await stageLines(pool, "i-2", { first: 1, lines: [...lines, JSON.stringify(past("o-1", 4200))] });
    expect(await checkPart(pool, "i-2")).toMatchObject({ added: 0, faulty: 1 });
    const told = (await faultsOf(pool, "i-2")).map(({ row, message }) => [row, inEnglish(message)]);
    expect(told.map(([row]) => row)).toEqual([3, 4, 5]);
    expect(told.slice(1)).toEqual([
      [4, expect.stringMatching(/^\/total must be/)],
      [5, "is there twice"],
    ]);
  });

  it("of many orders is gone through in parts", async () => {
    const rows = Array.from({ length: 1200 }, (_, i) => [
      ...[`o-${i}`, "2026-11-02T10:00Z", "EUR", "PT", "3000-001", "standard", "4.90", "", "ink"],
      ...["1", `${10 + (i % 40)}.00`],
    ]);
    await stage(rows);
    let added = 0;
    let parts = 0;
    for (let after: string | undefined = ""; after !== undefined; parts += 1) {
      const part = await writePart(pool, "i-1", { after, sound: false });
      if (part === "has faults") throw new Error(part);
      added += part.added;
      after = part.after ?? undefined;
    }
    expect([added, parts]).toEqual([1200, 3]);
    const { spread } = await spreadOf("EUR");
    expect(spread.map(({ orders }) => orders)).toEqual(Array.from({ length: 40 }, () => 30));
  });
});

async function ended(job: string): Promise<ReplayState | null> {
  for (;;) {
    const state = lookAtReplay(job);
    if (state?.state !== "running") return state;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

describe("a replay of the draft", () => {
  const asked = { filter: { currency: "EUR" }, counting: TOTAL, edges: [3000], atItsOwnMoment: false } as const;

  it("prices every order of the filter, beside the release, in threads", async () => {
    await write(past("o-1", 4100), past("o-2", 1500), past("o-3", 1500, { cancelled: true }), plain);
    const started = await startReplay(pool, asked);
    if (!("job" in started)) throw new Error("the demo can be replayed");
    const state = await ended(started.job);
    if (state?.state !== "done") throw new Error(`it is ${state?.state}`);
    const { replayed, beside } = state;
    expect([replayed.orders, replayed.cancelled, beside]).toEqual([2, 1, 1]);
    expect(replayed.rows.map(({ zone, group, charged, now }) => [zone, group, charged, now.delivery])).toEqual([
      ["portugal-mainland", 0, 490, 490],
      ["portugal-mainland", 1, 490, replayed.rows[1]?.beside.delivery],
    ]);
    const another = await startReplay(pool, { ...asked, filter: { currency: "EUR", buyer: "new" } });
    if (!("job" in another)) throw new Error("the demo can be replayed");
    expect(await ended(another.job)).toMatchObject({ replayed: { orders: 0 } });
  });

  it("is stopped when nobody wants it any more", async () => {
    await write(past("o-1", 4100));
    const started = await startReplay(pool, asked);
    if (!("job" in started)) throw new Error("the demo can be replayed");
    stopReplay(started.job);
    expect(await ended(started.job)).toEqual({ state: "stopped" });
    expect(lookAtReplay("r-none")).toBeNull();
  });
});
