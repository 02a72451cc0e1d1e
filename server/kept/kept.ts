import type { Static, TSchema } from "@sinclair/typebox";
import type { Pool, RowDataPacket } from "mysql2/promise";
import { checker } from "../validation/checker.ts";

/** Something a team keeps beside its plan, under a name. */
export type Kept<Body> = { id: string; name: string; body: Body };

interface KeptRow extends RowDataPacket {
  id: string;
  name: string;
  body: string;
}

/** What is kept of one kind, oldest first. What an older version wrote and nobody can read any more is left out. */
export async function listKept<Schema extends TSchema>(
  pool: Pool,
  kind: string,
  schema: Schema,
): Promise<Kept<Static<Schema>>[]> {
  const [rows] = await pool.query<KeptRow[]>("SELECT id, name, body FROM kept WHERE kind = ? ORDER BY kept_at, id", [
    kind,
  ]);
  const check = checker(schema);
  return rows.flatMap(({ id, name, body }) => {
    const checked = check(JSON.parse(body));
    return "value" in checked ? [{ id, name, body: checked.value }] : [];
  });
}

export async function keep(pool: Pool, kind: string, { id, name, body }: Kept<unknown>): Promise<void> {
  await pool.execute(
    `INSERT INTO kept (kind, id, name, body, kept_at) VALUES (?, ?, ?, ?, UTC_TIMESTAMP(3))
     ON DUPLICATE KEY UPDATE name = VALUES(name), body = VALUES(body)`,
    [kind, id, name, JSON.stringify(body)],
  );
}

export async function dropKept(pool: Pool, kind: string, id: string): Promise<void> {
  await pool.execute("DELETE FROM kept WHERE kind = ? AND id = ?", [kind, id]);
}
