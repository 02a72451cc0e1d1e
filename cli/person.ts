import { openPool } from "../server/database/pool.ts";
import { runAnew } from "../server/people/by-machine.ts";

/** Lets somebody run the store whose database that is. @returns what the address of a link for them ends with */
export async function letRun(database: string, name: string): Promise<string> {
  const pool = openPool(database, 1);
  try {
    return await runAnew(pool, name);
  } finally {
    await pool.end();
  }
}
