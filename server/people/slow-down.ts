import type { Pool, RowDataPacket } from "mysql2/promise";
import { nameKey } from "./person.ts";
import { hexHashOf } from "./secret.ts";

/** So many failures are free of waiting; each more doubles the wait, from a second to at most so many. */
type Patience = { readonly free: number; readonly longest: number };
/** Of a name: never so long that a stranger could keep its owner out. */
const OF_NAME: Patience = { free: 5, longest: 60 };
const OF_ADDRESS: Patience = { free: 20, longest: 900 };
/** After so many minutes without one, failures are forgotten. */
const FORGOTTEN = 60;

/** A trace of it: what is typed for a name may be a password. */
const ofName = (name: string) => `name ${hexHashOf(nameKey(name))}`;
const ofAddress = (address: string) => `address ${address}`.slice(0, 130);

interface WaitRow extends RowDataPacket {
  wait: number | null;
}

/** Seconds until a sign-in by that name from that address is looked at again; 0 at once. */
export async function waitOf(pool: Pool, name: string, address: string): Promise<number> {
  const [[row]] = await pool.execute<WaitRow[]>(
    `SELECT MAX(TIMESTAMPDIFF(MICROSECOND, UTC_TIMESTAMP(3), waits_until)) / 1000000 AS wait
     FROM sign_in_failures WHERE about IN (?, ?)`,
    [ofName(name), ofAddress(address)],
  );
  return Math.max(0, Math.ceil(Number(row?.wait ?? 0)));
}

/**
 * Counts a try as failed before it is looked at, so that many at once count as many; one that was right takes it back.
 */
export async function countTry(pool: Pool, name: string, address: string): Promise<void> {
  for (const [key, { free, longest }] of [
    [ofName(name), OF_NAME],
    [ofAddress(address), OF_ADDRESS],
  ] as const)
    await pool.execute(
      `INSERT INTO sign_in_failures (about, failures, last_at, waits_until) VALUES (?, 1, UTC_TIMESTAMP(3), UTC_TIMESTAMP(3))
       ON DUPLICATE KEY UPDATE
         failures = IF(last_at < UTC_TIMESTAMP(3) - INTERVAL ${FORGOTTEN} MINUTE, 1, failures + 1),
         last_at = UTC_TIMESTAMP(3),
         waits_until = UTC_TIMESTAMP(3) + INTERVAL IF(failures <= ?, 0, LEAST(?, POW(2, LEAST(failures - ? - 1, 20)))) SECOND`,
      [key, free, longest, free],
    );
}

/** It was right: the name's failures are forgotten; of the address, this try alone, since others may be tried from there. */
export async function forgetTries(pool: Pool, name: string, address: string): Promise<void> {
  await pool.execute("DELETE FROM sign_in_failures WHERE about = ?", [ofName(name)]);
  await takeBack(pool, [ofAddress(address)]);
}

/** It was right as far as it went: this try alone is no failure, those before it stay. */
export const takeBackTry = (pool: Pool, name: string, address: string): Promise<void> =>
  takeBack(pool, [ofName(name), ofAddress(address)]);

async function takeBack(pool: Pool, keys: readonly string[]): Promise<void> {
  for (const key of keys)
    await pool.execute("UPDATE sign_in_failures SET failures = failures - 1 WHERE about = ? AND failures > 0", [key]);
}
