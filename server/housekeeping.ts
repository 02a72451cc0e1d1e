import type { Pool } from "mysql2/promise";
import { dropAbandonedImports } from "./catalogue/import-products.ts";
import { dropAbandonedOrders } from "./orders/import-orders.ts";
import { dropEndedSessions } from "./people/sessions.ts";
import { readSettings } from "./settings/settings.ts";
import { eraseShoppersAfter } from "./shoppers/shopper-data.ts";

/** Forgets shoppers so many days after their last claim, where a setting says so. */
async function forgetShoppers(pool: Pool): Promise<void> {
  const { shoppersKeptDays: days } = await readSettings(pool);
  if (days === null) return;
  const erased = await eraseShoppersAfter(pool, days);
  if (erased > 0) console.error(`${erased} shoppers were forgotten, ${days} days after their last claim`);
}

/** What is done every hour: what has come to its end is cleared away. */
const JOBS: readonly ((pool: Pool) => Promise<void>)[] = [
  dropAbandonedImports,
  dropAbandonedOrders,
  dropEndedSessions,
  forgetShoppers,
];
const HOUR = 3_600_000;

/** Does all jobs now and then every hour; one that fails is tried again the next time. */
export function keepHouse(pool: Pool): void {
  const all = async () => {
    for (const job of JOBS)
      await job(pool).catch((error: unknown) => console.error(`${job.name} is left for an hour: ${String(error)}`));
  };
  void all();
  setInterval(all, HOUR).unref();
}
