import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { databaseUrl, openPool } from "../database/pool.ts";
import { Allowance } from "./allowance.ts";
import { keyGate } from "./key-gate.ts";
import { type LiveKey, listKeys, liveKeys, makeKey, revokeKey } from "./keys.ts";

// Three servers on one database.
const pools = [openPool(databaseUrl(), 4), openPool(databaseUrl(), 4), openPool(databaseUrl(), 4)] as const;
const [pool] = pools;
const emptied = () => pool.query("DELETE FROM shop_keys");
beforeEach(emptied);
afterAll(async () => {
  await emptied();
  await Promise.all(pools.map((one) => one.end()));
});

const BY = { name: "Keeper", address: "" };
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const statusOf = (came: Awaited<ReturnType<ReturnType<typeof keyGate>>>) =>
  "refusal" in came ? came.refusal.status : came.by;

async function liveKey(aSecond: number): Promise<LiveKey> {
  await makeKey(pool, { name: "Shop", rights: ["quote"], aSecond }, BY);
  const [key] = [...(await liveKeys(pool)).values()];
  if (!key) throw new Error("no key");
  return key;
}

/** The database's second, and how far it is on. */
async function secondNow(): Promise<{ second: number; rest: number }> {
  const [rows] = await pool.query(
    "SELECT FLOOR(UNIX_TIMESTAMP(NOW(6))) AS second, MOD(UNIX_TIMESTAMP(NOW(6)), 1) AS rest",
  );
  const [row] = JSON.parse(JSON.stringify(rows));
  return { second: Number(row.second), rest: Number(row.rest) };
}

describe("keys", () => {
  it("let in for what is ticked, tell nothing of themselves, and are kept as nothing that lets anybody in", async () => {
    const gate = keyGate(pool);
    const secret = await makeKey(pool, { name: "Shop", rights: ["quote", "claim"], aSecond: 1000 }, BY);
    expect(secret).toMatch(/^summant_[\w-]{43}$/);
    expect(statusOf(await gate(`Bearer ${secret}`, "quote"))).toBe("key Shop");
    expect(statusOf(await gate(`bearer   ${secret}`, "claim"))).toBe("key Shop");
    expect(statusOf(await gate(`Bearer ${secret}`, "shoppers"))).toBe(403);
    expect(statusOf(await gate(`Bearer ${secret}`, undefined))).toBe(403);
    for (const wrong of [`Bearer ${secret}x`, `Basic ${secret}`, secret, "Bearer", "", `Bearer ${secret} ${secret}`])
      expect([wrong, statusOf(await gate(wrong, "quote"))]).toEqual([wrong, 401]);
    const [rows] = await pool.query("SELECT *, HEX(secret_hash) AS hex FROM shop_keys");
    expect(JSON.stringify(rows)).not.toContain(secret.slice("summant_".length));
  });

  it("are revoked on every server within five seconds, and when they were last used is seen", async () => {
    const gates = pools.map((one) => keyGate(one));
    const secret = await makeKey(pool, { name: "Shop", rights: ["quote"], aSecond: 1000 }, BY);
    const ask = () => Promise.all(gates.map(async (gate) => statusOf(await gate(`Bearer ${secret}`, "quote"))));
    expect(await ask()).toEqual(["key Shop", "key Shop", "key Shop"]);
    const [listed] = await listKeys(pool);
    expect(await revokeKey(pool, listed?.number ?? 0, BY)).toBe(true);
    const began = performance.now();
    while ((await ask()).some((one) => one !== 401)) await pause(50);
    expect(performance.now() - began).toBeLessThan(5000);
    expect(await revokeKey(pool, listed?.number ?? 0, BY)).toBe(false);
    await pause(2500);
    expect((await listKeys(pool))[0]).toMatchObject({ lastUsedAt: expect.any(String), revokedAt: expect.any(String) });
  });

  it("are answered no more often in a second than they may, by all servers together, and as often as that", async () => {
    for (const aSecond of [1, 7, 25, 100]) {
      await emptied();
      const key = await liveKey(aSecond);
      const allowances = pools.map((one) => new Allowance(one));
      // Early in a second, so that all of it falls into one.
      while ((await secondNow()).rest > 0.3) await pause(20);
      const before = await secondNow();
      const asked = Array.from({ length: 3 * aSecond + 30 }, (_, i) => allowances[i % 3]?.take(key));
      const waits = await Promise.all(asked);
      const after = await secondNow();
      const answered = waits.filter((wait) => wait === 0).length;
      if (after.second !== before.second) continue;
      expect(answered).toBe(aSecond);
      expect(waits.every((wait) => wait !== undefined && wait <= 1000)).toBe(true);
      await pause(1000);
      expect(await allowances[0]?.take(key)).toBe(0);
    }
  });

  it("go on while the database is away, as last known and each server by itself", async () => {
    const gone = () => Promise.reject(Object.assign(new Error("away"), { code: "ECONNREFUSED" }));
    let isAway = false;
    const gate = keyGate(
      new Proxy(pool, {
        get: (own, name) => (isAway && (name === "query" || name === "execute") ? gone : Reflect.get(own, name)),
      }),
    );
    const secret = await makeKey(pool, { name: "Shop", rights: ["quote"], aSecond: 5 }, BY);
    expect(statusOf(await gate(`Bearer ${secret}`, "quote"))).toBe("key Shop");
    isAway = true;
    for (let round = 0; round < 2; round += 1) {
      await pause(1100);
      const came: (string | number)[] = [];
      for (let i = 0; i < 7; i += 1) came.push(statusOf(await gate(`Bearer ${secret}`, "quote")));
      expect(came).toEqual([...Array(5).fill("key Shop"), 429, 429]);
    }
    expect(statusOf(await gate("Bearer summant_other", "quote"))).toBe(401);
    // Revoked meanwhile, it holds no longer once the database is back.
    await revokeKey(pool, (await listKeys(pool))[0]?.number ?? 0, BY);
    expect(statusOf(await gate(`Bearer ${secret}`, "quote"))).not.toBe(401);
    isAway = false;
    await pause(1500);
    await expect.poll(async () => statusOf(await gate(`Bearer ${secret}`, "quote")), { timeout: 5000 }).toBe(401);
  });
});
