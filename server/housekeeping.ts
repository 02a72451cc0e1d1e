import type { Pool } from "mysql2/promise";
import { dropAbandonedImports } from "./catalogue/import-products.ts";

/** What is done every hour: what has come to its end is cleared away. */
const JOBS: readonly ((pool: Pool) => Promise<void>)[] = [dropAbandonedImports];
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
