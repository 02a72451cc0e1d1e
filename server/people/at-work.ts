import type { Pool, RowDataPacket } from "mysql2/promise";
import type { Person } from "./person.ts";

/** Somebody else at work is seen until so many seconds after their page last said so. */
const SEEN_FOR = 45;

/** Where somebody is: the section by its address, and the thing that is open in it. */
export type Place = { readonly section: string; readonly thing: string };
export type AtWork = Place & { readonly name: string };

/** Says where a session is. @returns everybody else who is at work, whoever is in several places once for each */
export async function atWork(pool: Pool, { session, id }: Person, { section, thing }: Place): Promise<AtWork[]> {
  await pool.execute("UPDATE sessions SET section = ?, thing = ?, at_work_at = UTC_TIMESTAMP(3) WHERE number = ?", [
    section,
    thing,
    session,
  ]);
  const [rows] = await pool.execute<(AtWork & RowDataPacket)[]>(
    `SELECT DISTINCT p.name, s.section, s.thing FROM sessions s JOIN people p ON p.id = s.person
     WHERE s.person <> ? AND s.section IS NOT NULL AND s.at_work_at > UTC_TIMESTAMP(3) - INTERVAL ${SEEN_FOR} SECOND
     ORDER BY p.name, s.section, s.thing LIMIT 50`,
    [id],
  );
  return rows.map(({ name, section: where, thing: what }) => ({ name, section: where, thing: what }));
}
