import type { Pool } from "mysql2/promise";
import { databaseProblem } from "../server/database/database-problem.ts";
import { openPool } from "../server/database/pool.ts";
import { runAnew } from "../server/people/by-machine.ts";

/**
 * Lets somebody run the store whose database that is.
 *
 * @returns what the address of a link for them ends with, or why the database cannot be used
 */
export async function letRun(database: string, name: string): Promise<{ link: string } | { problem: string }> {
  let pool: Pool | undefined;
  try {
    pool = openPool(database, 1);
    return { link: await runAnew(pool, name) };
  } catch (error) {
    const problem = databaseProblem(database, error);
    if (problem === undefined) throw error;
    return { problem };
  } finally {
    await pool?.end();
  }
}
