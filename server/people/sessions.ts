import type { Pool, PoolConnection, ResultSetHeader, RowDataPacket } from "mysql2/promise";
import { owesFactor, readSettings } from "../settings/settings.ts";
import { isRole, type Person } from "./person.ts";
import { hashOf, newSecret } from "./secret.ts";

/** A session ends so many minutes after the last request, and so many after its beginning, whatever is done in it. */
const IDLE = 120;
const WHOLE = 12 * 60;
/** How often it is written down that a session is used, in seconds. */
const NOTED_EVERY = 60;

/** From where somebody signs in. */
export type Origin = { readonly address: string; readonly agent: string };

/** @returns the secret that the browser keeps */
export async function beginSession(
  connection: Pool | PoolConnection,
  person: number,
  { address, agent }: Origin,
): Promise<string> {
  const secret = newSecret();
  await connection.execute(
    `INSERT INTO sessions (token_hash, person, made_at, seen_at, ends_at, address, agent)
     VALUES (?, ?, UTC_TIMESTAMP(3), UTC_TIMESTAMP(3), UTC_TIMESTAMP(3) + INTERVAL ? MINUTE, ?, ?)`,
    [hashOf(secret), person, WHOLE, address.slice(0, 64), agent.slice(0, 300)],
  );
  return secret;
}

/** A session that has not ended. */
const LIVE = `s.ends_at > UTC_TIMESTAMP(3) AND s.seen_at > UTC_TIMESTAMP(3) - INTERVAL ${IDLE} MINUTE AND p.left_at IS NULL`;

interface PersonRow extends RowDataPacket {
  id: number;
  name: string;
  role: string;
  session: number;
  has_factor: number;
  unseen: number;
}

/**
 * Who a session's secret is of; null when it is nobody's any more.
 *
 * @param counts whether being asked keeps the session from ending: not for what a page asks by itself
 */
export async function personOf(pool: Pool, secret: string, counts: boolean): Promise<Person | null> {
  const [[row]] = await pool.execute<PersonRow[]>(
    `SELECT p.id, p.name, p.role, s.number AS session, p.second_factor IS NOT NULL AS has_factor,
            TIMESTAMPDIFF(SECOND, s.seen_at, UTC_TIMESTAMP(3)) AS unseen
     FROM sessions s JOIN people p ON p.id = s.person WHERE s.token_hash = ? AND ${LIVE}`,
    [hashOf(secret)],
  );
  if (!row || !isRole(row.role)) return null;
  const { id, name, role, session } = row;
  if (counts && row.unseen >= NOTED_EVERY)
    await pool.execute("UPDATE sessions SET seen_at = UTC_TIMESTAMP(3) WHERE number = ?", [session]);
  const owesSecondFactor = row.has_factor === 0 && owesFactor(await readSettings(pool), role);
  return { id, name, role, session, owesSecondFactor };
}

/** A session as its owner sees it; times in RFC 3339. */
export type SessionSeen = {
  readonly number: number;
  readonly begun: string;
  readonly seen: string;
  readonly address: string;
  readonly agent: string;
  readonly isThis: boolean;
};

interface SessionRow extends RowDataPacket {
  number: number;
  made_at: Date;
  seen_at: Date;
  address: string;
  agent: string;
}

export async function sessionsOf(pool: Pool, { id, session }: Person): Promise<SessionSeen[]> {
  const [rows] = await pool.execute<SessionRow[]>(
    `SELECT s.number, s.made_at, s.seen_at, s.address, s.agent
     FROM sessions s JOIN people p ON p.id = s.person WHERE s.person = ? AND ${LIVE} ORDER BY s.seen_at DESC`,
    [id],
  );
  return rows.map(({ number, made_at, seen_at, address, agent }) => ({
    ...{ number, address, agent },
    begun: made_at.toISOString(),
    seen: seen_at.toISOString(),
    isThis: number === session,
  }));
}

/** Ends one session of a person. @returns whether there was one */
export async function endSession(pool: Pool, person: number, session: number): Promise<boolean> {
  const [ended] = await pool.execute<ResultSetHeader>("DELETE FROM sessions WHERE person = ? AND number = ?", [
    person,
    session,
  ]);
  return ended.affectedRows > 0;
}

/** Ends all sessions of a person. @param but one that stays */
export async function endSessions(connection: Pool | PoolConnection, person: number, but = 0): Promise<void> {
  await connection.execute("DELETE FROM sessions WHERE person = ? AND number <> ?", [person, but]);
}

/** Clears away what has ended. */
export async function dropEndedSessions(pool: Pool): Promise<void> {
  await pool.query(
    `DELETE FROM sessions WHERE ends_at < UTC_TIMESTAMP(3) OR seen_at < UTC_TIMESTAMP(3) - INTERVAL ${IDLE} MINUTE`,
  );
  await pool.query("DELETE FROM one_time_links WHERE ends_at < UTC_TIMESTAMP(3) - INTERVAL 1 DAY");
  await pool.query("DELETE FROM sign_in_failures WHERE last_at < UTC_TIMESTAMP(3) - INTERVAL 1 DAY");
}
