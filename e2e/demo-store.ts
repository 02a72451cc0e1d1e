import { fileURLToPath } from "node:url";
import { test as base } from "@playwright/test";
import type { Pool, RowDataPacket } from "mysql2/promise";
import { databaseUrl, openPool } from "../server/database/pool.ts";
import { emptyStore, loadDemo } from "../server/demo/load-demo.ts";

interface TableRow extends RowDataPacket {
  name: string;
}

/** What is noted while somebody only looks, and what no journey but those about people changes. */
const BESIDE = [
  "countings",
  "events",
  "order_days",
  "order_days_due",
  "one_time_links",
  "people",
  "sessions",
  "shop_key_seconds",
  "shop_keys",
  "sign_in_failures",
];

/** What every row of the store comes to: the same as long as nothing was written. */
async function sumOf(pool: Pool): Promise<string> {
  const [tables] = await pool.query<TableRow[]>(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name NOT IN (?) ORDER BY table_name",
    [BESIDE],
  );
  const [sums] = await pool.query(`CHECKSUM TABLE ${tables.map(({ name }) => `\`${name}\``).join(", ")}`);
  return JSON.stringify(sums);
}

/** The database as the demo was loaded into it last. */
let asLoaded: string | null = null;

/** Every test starts from the demo store as it ships, in the real database. Where the one before wrote nothing, it is there. */
export const test = base.extend<{ demoStore: undefined }>({
  demoStore: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the fixtures a function needs from its pattern
    async ({}, use) => {
      const pool = openPool(databaseUrl(), 2);
      if (asLoaded === null || (await sumOf(pool)) !== asLoaded) {
        await emptyStore(pool);
        await pool.query("DELETE FROM settings");
        await loadDemo(pool, fileURLToPath(new URL("../demo", import.meta.url)));
        asLoaded = await sumOf(pool);
      }
      await pool.end();
      await use(undefined);
    },
    { auto: true },
  ],
});

export { expect } from "@playwright/test";
