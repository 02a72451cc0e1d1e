import { afterAll, beforeEach, describe, expect, it } from "vitest";
import type { Offer } from "../../core/offers/offer.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore } from "../demo/load-demo.ts";
import { claim, giveBack, usesOf } from "../redemptions/ledger.ts";
import { eraseShopper, eraseShoppersAfter, shopperData } from "./shopper-data.ts";

const pool = openPool(databaseUrl(), 4);
afterAll(() => pool.end());
beforeEach(() => emptyStore(pool));

const offer = (id: string): Offer => ({
  id,
  position: 1,
  name: id,
  on: true,
  zones: [],
  limits: { overall: 9, perShopper: 1 },
  counts: { kind: "items" },
  steps: [],
});
const plan = { offers: [offer("spring"), offer("autumn")], options: [] };
const asks = (order: string, shopper: string, offers = ["spring"]) =>
  claim(pool, plan, { order, shopper, offers }, "key Shop");

describe("what is kept of a shopper", () => {
  it("is told whole, and of nobody else", async () => {
    await asks("o-1", "ana", ["spring", "autumn"]);
    await asks("o-2", "ANA");
    await giveBack(pool, "o-1");
    await asks("o-3", "ana");
    const { claims, uses } = await shopperData(pool, "ana");
    expect(claims.map(({ order, offer: of, givenBackAt }) => [order, of, givenBackAt === null])).toEqual([
      ["o-1", "autumn", false],
      ["o-1", "spring", false],
      ["o-3", "spring", true],
    ]);
    expect(uses).toEqual({ autumn: 0, spring: 1 });
    expect(await shopperData(pool, "nobody")).toEqual({ shopper: "nobody", claims: [], uses: {}, orders: [] });
  });

  it("is erased without losing a count, and nothing of it can be found afterwards", async () => {
    await asks("o-1", "ana");
    await asks("o-2", "ben");
    expect(await eraseShopper(pool, "ana")).toEqual({ claims: 1, counts: 1, orders: 0 });
    expect(await eraseShopper(pool, "ana")).toEqual({ claims: 0, counts: 0, orders: 0 });
    expect(await shopperData(pool, "ana")).toEqual({ shopper: "ana", claims: [], uses: {}, orders: [] });
    expect(await usesOf(pool)).toEqual({ spring: 2 });
    expect(await usesOf(pool, "ben")).toEqual({ spring: 1 });
    const tables = ["redemptions", "redemption_counts", "window_claims", "kept", "draft_entities", "changes"];
    for (const table of tables) {
      const [rows] = await pool.query(`SELECT * FROM ${table}`);
      expect([table, JSON.stringify(rows).includes("ana")]).toEqual([table, false]);
    }
    // The order can still be given back.
    expect(await giveBack(pool, "o-1")).toEqual({ givenBack: ["spring"] });
    expect(await usesOf(pool)).toEqual({ spring: 1 });
  });

  it("ends so many days after the last claim", async () => {
    await asks("o-1", "ana");
    await asks("o-2", "ben");
    await asks("o-3", "ben", ["autumn"]);
    await pool.query(
      "UPDATE redemptions SET claimed_at = UTC_TIMESTAMP(3) - INTERVAL 31 DAY WHERE order_id IN ('o-1', 'o-2')",
    );
    expect(await eraseShoppersAfter(pool, 30)).toBe(1);
    expect((await shopperData(pool, "ana")).claims).toEqual([]);
    expect((await shopperData(pool, "ben")).claims).toHaveLength(2);
  });
});
