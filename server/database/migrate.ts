import { createHash } from "node:crypto";
import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import type { Pool, RowDataPacket } from "mysql2/promise";

interface AppliedRow extends RowDataPacket {
  name: string;
  checksum: string;
}

/**
 * Applies every migration not applied yet, in the order of their names, and returns the names applied now.
 * @throws when a migration that was applied has changed since
 */
export async function migrate(pool: Pool, folder: string): Promise<string[]> {
  await pool.query(
    `CREATE TABLE IF NOT EXISTS schema_migrations (
       name VARCHAR(200) NOT NULL PRIMARY KEY, checksum CHAR(64) NOT NULL, applied_at DATETIME(3) NOT NULL)`,
  );
  const [rows] = await pool.query<AppliedRow[]>("SELECT name, checksum FROM schema_migrations");
  const applied = new Map(rows.map(({ name, checksum }) => [name, checksum]));
  const names = (await readdir(folder)).filter((name) => name.endsWith(".sql")).sort();
  const now: string[] = [];
  for (const name of names) {
    const sql = await readFile(join(folder, name), "utf8");
    const checksum = createHash("sha256").update(sql).digest("hex");
    const known = applied.get(name);
    if (known === checksum) continue;
    if (known !== undefined)
      throw new Error(`migration ${name} was changed after it was applied; add a new one instead`);
    for (const statement of sql.split(/;\s*\n/).map((part) => part.trim())) {
      if (statement !== "") await pool.query(statement);
    }
    await pool.execute("INSERT INTO schema_migrations (name, checksum, applied_at) VALUES (?, ?, UTC_TIMESTAMP(3))", [
      name,
      checksum,
    ]);
    now.push(name);
  }
  return now;
}
