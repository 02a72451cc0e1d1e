import type { Pool, RowDataPacket } from "mysql2/promise";
import { joined, type Phrase } from "../../core/phrases/phrase.ts";
import { problemPhrase } from "../../core/schema/problem.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { readJson } from "../validation/read-json.ts";

/** Something a team keeps beside its plan, under a name. */
export type Saved<Body> = { id: string; name: string; body: Body };

interface SavedRow extends RowDataPacket {
  id: string;
  name: string;
  body: string;
}

/** Something kept that cannot be used, and why: it stays until somebody drops it. */
export type SetAside = { id: string; name: string; why: Phrase };

/** What is kept of one kind, oldest first; what an older version wrote and nobody can use any more is set aside, with a word. */
export async function listSaved<Body>(
  pool: Pool,
  kind: string,
  check: (data: unknown) => Checked<Body>,
): Promise<{ kept: Saved<Body>[]; setAside: SetAside[] }> {
  const [rows] = await pool.query<SavedRow[]>("SELECT id, name, body FROM kept WHERE kind = ? ORDER BY kept_at, id", [
    kind,
  ]);
  const kept: Saved<Body>[] = [];
  const setAside: SetAside[] = [];
  for (const { id, name, body } of rows) {
    const json = readJson(body);
    const checked = "problems" in json ? json : check(json.value);
    if ("value" in checked) kept.push({ id, name, body: checked.value });
    else
      setAside.push({
        id,
        name,
        why: joined(checked.problems.map(problemPhrase), "; "),
      });
  }
  return { kept, setAside };
}

export async function save(pool: Pool, kind: string, { id, name, body }: Saved<unknown>): Promise<void> {
  await pool.execute(
    `INSERT INTO kept (kind, id, name, body, kept_at) VALUES (?, ?, ?, ?, UTC_TIMESTAMP(3))
     ON DUPLICATE KEY UPDATE name = VALUES(name), body = VALUES(body)`,
    [kind, id, name, JSON.stringify(body)],
  );
}

export async function dropSaved(pool: Pool, kind: string, id: string): Promise<void> {
  await pool.execute("DELETE FROM kept WHERE kind = ? AND id = ?", [kind, id]);
}
