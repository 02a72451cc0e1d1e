import { readFile } from "node:fs/promises";
import type { Pool } from "mysql2/promise";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import type { Offer } from "../../core/offers/offer.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { checkPlan } from "../../core/validation/documents.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import type { Claim } from "./claim-schema.ts";
import { claim as claimBy, giveBack, offersCounted, usesOf, withUses } from "./ledger.ts";

const pools = [openPool(databaseUrl(), 8), openPool(databaseUrl(), 8), openPool(databaseUrl(), 8)] as const;
const [pool] = pools;
afterAll(() => Promise.all(pools.map((one) => one.end())));

const read = checkPlan(JSON.parse(await readFile("demo/plan.json", "utf8")));
const demoOffers = "value" in read ? read.value.offers : [];
const limited = (limits: Offer["limits"]): Offer[] =>
  demoOffers.map((offer) => (offer.id === "newsletter" ? { ...offer, ...(limits ? { limits } : {}) } : offer));

const claim = (on: Pool, plan: Pick<Plan, "offers" | "options">, asked: Claim) => claimBy(on, plan, asked, "key Shop");

beforeEach(async () => {
  for (const table of ["redemptions", "redemption_counts"]) await pool.query(`DELETE FROM ${table}`);
});

describe("claims", () => {
  it("commit exactly as many as the limit when four times as many come at once over several connections", async () => {
    const offers = limited({ overall: 100 });
    const orders = Array.from({ length: 400 }, (_, i) => `order-${i}`);
    const results = await Promise.all(
      orders.map((order, i) =>
        claim(pools[i % pools.length] ?? pool, { offers, options: [] }, { order, offers: ["newsletter"] }),
      ),
    );
    const acknowledged = orders.filter((_, i) => "claimed" in (results[i] ?? {}));
    expect(acknowledged).toHaveLength(100);
    expect(await usesOf(pool)).toEqual({ newsletter: 100 });
    // Asked again, those that have it have it, and nobody else gets in.
    const again = await Promise.all(
      orders.map((order) => claim(pool, { offers, options: [] }, { order, offers: ["newsletter"] })),
    );
    expect(orders.filter((_, i) => "claimed" in (again[i] ?? {}))).toEqual(acknowledged);
    const [rows] = await pool.query("SELECT order_id FROM redemptions WHERE given_back_at IS NULL");
    expect(new Set(JSON.stringify(rows).match(/order-\d+/g))).toEqual(new Set(acknowledged));
  });

  it("are all or nothing, count per shopper, and are given back once", async () => {
    const offers = limited({ overall: 10, perShopper: 1 });
    const asked = { order: "a", offers: ["newsletter", "free-post"], shopper: "s-1" };
    expect(await claim(pool, { offers, options: [] }, asked)).toEqual({ claimed: asked.offers });
    expect(await claim(pool, { offers, options: [] }, { ...asked, order: "b" })).toEqual({
      refused: { offer: "newsletter", reason: "shopper-limit-reached" },
    });
    expect(await usesOf(pool)).toEqual({ newsletter: 1, "free-post": 1 });
    expect(await claim(pool, { offers, options: [] }, { ...asked, order: "c", offers: ["nowhere"] })).toMatchObject({
      refused: { reason: "no-such-offer" },
    });
    expect(await claim(pool, { offers, options: [] }, { order: "d", offers: ["newsletter"] })).toMatchObject({
      refused: { reason: "shopper-needed" },
    });
    // Guests come as often as they like where the plan says so, and count in all.
    const open = { offers: limited({ overall: 3, perShopper: 1, guests: "every-time" }), options: [] };
    for (const [order, claimed] of [
      ["e", true],
      ["f", true],
      ["g", false],
    ] as const)
      expect("claimed" in (await claim(pool, open, { order, offers: ["newsletter"] }))).toBe(claimed);
    for (const order of ["e", "f"]) await giveBack(pool, order);
    expect(await claim(pool, { offers, options: [] }, { ...asked, shopper: "s-2" })).toMatchObject({
      refused: { reason: "order-of-another" },
    });
    expect(await giveBack(pool, "a")).toEqual({ givenBack: ["free-post", "newsletter"] });
    expect(await giveBack(pool, "a")).toEqual({ givenBack: [] });
    expect(await usesOf(pool)).toEqual({ newsletter: 0, "free-post": 0 });
    expect(await claim(pool, { offers, options: [] }, { ...asked, order: "b" })).toEqual({ claimed: asked.offers });
  });

  it("are not claimed of an offer that is switched off, but by an order that has it already", async () => {
    const offers = limited({ overall: 10 });
    const off = offers.map((offer) => ({ ...offer, on: false }));
    const asked = { order: "a", offers: ["newsletter"] };
    await claim(pool, { offers, options: [] }, asked);
    expect(await claim(pool, { offers: off, options: [] }, asked)).toEqual({ claimed: ["newsletter"] });
    expect(await claim(pool, { offers: off, options: [] }, { ...asked, order: "b" })).toEqual({
      refused: { offer: "newsletter", reason: "switched-off" },
    });
    await giveBack(pool, "a");
    expect(await claim(pool, { offers: off, options: [] }, asked)).toHaveProperty("refused.reason", "switched-off");
    expect(await usesOf(pool)).toEqual({ newsletter: 0 });
  });

  it("are counted into quotes: for everybody, and for the shopper who asks", async () => {
    const offers = limited({ overall: 10, perShopper: 1 });
    await claim(pool, { offers, options: [] }, { order: "a", offers: ["newsletter"], shopper: "s-1" });
    const request = { at: "2026-11-24T12:00:00Z", currency: "EUR", destination: {}, cart: { lines: [] } };
    const uses = async (more: Partial<QuoteRequest>) => {
      const asked: QuoteRequest = { ...request, ...more };
      const own = asked.shopper?.id === undefined ? {} : await usesOf(pool, asked.shopper.id);
      return withUses(asked, offersCounted({ offers }, asked), await usesOf(pool), own).uses;
    };
    expect(await uses({})).toEqual([{ offer: "newsletter", overall: 1 }]);
    expect(await uses({ shopper: { id: "s-1" } })).toEqual([{ offer: "newsletter", overall: 1, byShopper: 1 }]);
    expect(await uses({ shopper: { id: "s-2" } })).toEqual([{ offer: "newsletter", overall: 1, byShopper: 0 }]);
    const told = [{ offer: "newsletter", overall: 7 }];
    expect(await uses({ uses: told })).toEqual(told);
  });
});
