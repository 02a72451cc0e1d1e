import { resolve } from "node:path";
import type { Pool } from "mysql2/promise";
import { databaseProblem } from "./database/database-problem.ts";
import { migrate } from "./database/migrate.ts";
import { databaseUrl, openPool } from "./database/pool.ts";
import { emptyStore, isEmpty, loadDemo } from "./demo/load-demo.ts";
import { beginHistory, continueHistory } from "./demo/load-history.ts";
import { upgradeDraft } from "./draft/upgrade-draft.ts";
import { firstLink } from "./people/by-machine.ts";

// Brings the database at SUMMANT_DATABASE_URL up to date, fills an empty store with the demo, and lets whoever starts it in. Run in
// the project's folder, where migrations and demo are.

/** A migration of a large store may rewrite whole tables. */
const MIGRATION = 3_600_000;
const url = databaseUrl();
let pool: Pool | undefined;
try {
  pool = openPool(url, 2, MIGRATION);
  const applied = await migrate(pool, resolve("server/database/migrations"));
  if (applied.length > 0) console.log(`Database: applied ${applied.join(", ")}`);
  const upgraded = await upgradeDraft(pool);
  if (upgraded > 0) console.log(`Database: ${upgraded} things of the draft are written in the newest plan format`);
  if (process.argv.includes("--reset-demo")) await emptyStore(pool);
  if (await isEmpty(pool)) {
    await loadDemo(pool, resolve("demo"));
    console.log("Database: loaded the demo store");
    if (process.argv.includes("--with-history")) await beginHistory(pool);
  }
  const orders = await continueHistory(pool);
  if (orders > 0) console.log(`Database: loaded ${orders} past orders of the demo store`);
  const link = await firstLink(pool);
  // For the start command, which knows the address.
  if (link !== null) console.log(`First link: ${link}`);
} catch (error) {
  const told = databaseProblem(url, error);
  if (told === undefined) throw error;
  console.error(told);
  process.exitCode = 1;
} finally {
  await pool?.end();
}
