import type { Pool, ResultSetHeader, RowDataPacket } from "mysql2/promise";
import { inTransaction } from "../database/pool.ts";
import { type By, logEvent } from "../log/events.ts";
import { hashOf, newSecret } from "../people/secret.ts";
import { isRight, type Right } from "./rights.ts";

/** A key as whoever runs the store sees it: never its secret. Times in RFC 3339. */
export type KeyListed = {
  readonly number: number;
  readonly name: string;
  readonly rights: readonly Right[];
  /** Calls a second, at most, of all processes together. */
  readonly aSecond: number;
  readonly madeBy: string;
  readonly madeAt: string;
  readonly lastUsedAt: string | null;
  readonly revokedAt: string | null;
};

interface KeyRow extends RowDataPacket {
  number: number;
  name: string;
  rights: string;
  a_second: number;
  made_by: string;
  made_at: Date;
  last_used_at: Date | null;
  revoked_at: Date | null;
  secret_hash: Buffer;
}

export async function listKeys(pool: Pool): Promise<KeyListed[]> {
  const [rows] = await pool.query<KeyRow[]>("SELECT * FROM shop_keys ORDER BY revoked_at IS NOT NULL, number DESC");
  return rows.map((row) => ({
    number: row.number,
    name: row.name,
    rights: rightsIn(row.rights),
    aSecond: row.a_second,
    madeBy: row.made_by,
    madeAt: row.made_at.toISOString(),
    lastUsedAt: row.last_used_at?.toISOString() ?? null,
    revokedAt: row.revoked_at?.toISOString() ?? null,
  }));
}

const rightsIn = (text: string): Right[] => text.split(" ").filter(isRight);

/** What tells a key of ours at first sight, to people and to programs that look for keys where none should be. */
const SIGN = "summant_";

/** Makes a key. @returns its secret, which is kept nowhere */
export function makeKey(
  pool: Pool,
  { name, rights, aSecond }: { readonly name: string; readonly rights: readonly Right[]; readonly aSecond: number },
  by: By,
): Promise<string> {
  return inTransaction(pool, async (connection) => {
    const secret = SIGN + newSecret();
    await connection.execute(
      `INSERT INTO shop_keys (name, secret_hash, rights, a_second, made_by, made_at)
       VALUES (?, ?, ?, ?, ?, UTC_TIMESTAMP(3))`,
      [name, hashOf(secret), rights.join(" "), aSecond, by.name],
    );
    await logEvent(connection, "key-made", by, `${name} (${rights.join(", ")})`);
    return secret;
  });
}

/** @returns whether there was such a key that still held */
export function revokeKey(pool: Pool, number: number, by: By): Promise<boolean> {
  return inTransaction(pool, async (connection) => {
    const [[known]] = await connection.execute<KeyRow[]>("SELECT * FROM shop_keys WHERE number = ? FOR UPDATE", [
      number,
    ]);
    if (!known || known.revoked_at) return false;
    await connection.execute("UPDATE shop_keys SET revoked_at = UTC_TIMESTAMP(3), revoked_by = ? WHERE number = ?", [
      by.name,
      number,
    ]);
    await logEvent(connection, "key-revoked", by, known.name);
    return true;
  });
}

/** A key that holds. */
export type LiveKey = {
  readonly number: number;
  readonly name: string;
  readonly rights: ReadonlySet<Right>;
  readonly aSecond: number;
};

/** Every key that holds, by the hex of its hash. */
export async function liveKeys(pool: Pool): Promise<ReadonlyMap<string, LiveKey>> {
  const [rows] = await pool.query<KeyRow[]>("SELECT * FROM shop_keys WHERE revoked_at IS NULL");
  return new Map(
    rows.map(({ secret_hash, number, name, rights, a_second }) => [
      secret_hash.toString("hex"),
      { number, name, rights: new Set(rightsIn(rights)), aSecond: a_second },
    ]),
  );
}

export async function noteUses(pool: Pool, used: ReadonlyMap<number, Date>): Promise<void> {
  for (const [number, at] of used)
    await pool.execute<ResultSetHeader>(
      "UPDATE shop_keys SET last_used_at = GREATEST(COALESCE(last_used_at, ?), ?) WHERE number = ?",
      [at, at, number],
    );
}
