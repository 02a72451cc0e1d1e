import { fileURLToPath } from "node:url";
import { test as base } from "@playwright/test";
import { databaseUrl, openPool } from "../server/database/pool.ts";
import { emptyStore, loadDemo } from "../server/demo/load-demo.ts";

/** Every test starts from the demo store as it ships, in the real database. */
export const test = base.extend<{ demoStore: undefined }>({
  demoStore: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the fixtures a function needs from its pattern
    async ({}, use) => {
      const pool = openPool(databaseUrl(), 2);
      await emptyStore(pool);
      await loadDemo(pool, fileURLToPath(new URL("../demo", import.meta.url)));
      await pool.end();
      await use(undefined);
    },
    { auto: true },
  ],
});

export { expect } from "@playwright/test";
