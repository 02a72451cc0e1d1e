import type { Pool, PoolConnection, ResultSetHeader, RowDataPacket } from "mysql2/promise";
import { inTransaction } from "../database/pool.ts";
import { type By, logEvent } from "../log/events.ts";
import { dropLinks, makeLink } from "./one-time-links.ts";
import { isRole, nameKey, type Role } from "./person.ts";
import { endSessions } from "./sessions.ts";

/** Somebody as whoever runs the store sees them; times in RFC 3339. */
export type PersonListed = {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly hasPassword: boolean;
  readonly hasSecondFactor: boolean;
  readonly since: string;
  readonly lastSeen: string | null;
  readonly leftAt: string | null;
};

interface ListedRow extends RowDataPacket {
  id: number;
  name: string;
  role: string;
  has_password: number;
  has_factor: number;
  made_at: Date;
  last_seen: Date | null;
  left_at: Date | null;
}

export async function listPeople(pool: Pool): Promise<PersonListed[]> {
  const [rows] = await pool.query<ListedRow[]>(
    `SELECT p.id, p.name, p.role, p.password IS NOT NULL AS has_password, p.second_factor IS NOT NULL AS has_factor,
            p.made_at, p.left_at, MAX(s.seen_at) AS last_seen
     FROM people p LEFT JOIN sessions s ON s.person = p.id GROUP BY p.id ORDER BY p.left_at IS NOT NULL, p.name_key`,
  );
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    role: roleOf(row.role),
    hasPassword: row.has_password === 1,
    hasSecondFactor: row.has_factor === 1,
    since: row.made_at.toISOString(),
    lastSeen: row.last_seen?.toISOString() ?? null,
    leftAt: row.left_at?.toISOString() ?? null,
  }));
}

/** Why something cannot be done with a person. */
export type PeopleRefusal = "name-taken" | "no-such-person" | "last-to-run" | "yourself";
type Linked = { readonly link: string } | { readonly refused: PeopleRefusal };
type Done = { readonly done: true } | { readonly refused: PeopleRefusal };

interface KnownRow extends RowDataPacket {
  id: number;
  name: string;
  role: string;
  left_at: Date | null;
}

/** Makes a person, or lets one who left come back. @returns a link that lets them set a password */
export function invite(pool: Pool, name: string, role: Role, by: By): Promise<Linked> {
  return inTransaction(pool, async (connection): Promise<Linked> => {
    const [[known]] = await connection.execute<KnownRow[]>(
      "SELECT id, name, role, left_at FROM people WHERE name_key = ? FOR UPDATE",
      [nameKey(name)],
    );
    if (known && !known.left_at) return { refused: "name-taken" };
    const id = known ? await comeBack(connection, known.id, role) : await insertPerson(connection, name, role);
    await logEvent(connection, "invited", by, `${shownName(name)} (${role})`);
    return { link: await makeLink(connection, id, "invite") };
  });
}

const shownName = (name: string) => name.normalize("NFKC").trim().replaceAll(/\s+/g, " ");

/** @returns the new person's id */
export async function insertPerson(connection: PoolConnection, name: string, role: Role): Promise<number> {
  const [made] = await connection.execute<ResultSetHeader>(
    "INSERT INTO people (name, name_key, role, made_at) VALUES (?, ?, ?, UTC_TIMESTAMP(3))",
    [shownName(name), nameKey(name), role],
  );
  return made.insertId;
}

/** Whoever comes back has neither the password nor the second factor of before. */
async function comeBack(connection: PoolConnection, id: number, role: Role): Promise<number> {
  await connection.execute(
    "UPDATE people SET left_at = NULL, role = ?, password = NULL, second_factor = NULL WHERE id = ?",
    [role, id],
  );
  return id;
}

export const setRole = (pool: Pool, id: number, role: Role, by: By): Promise<Done> =>
  withPerson(pool, id, role !== "run", async (connection, { name }) => {
    await connection.execute("UPDATE people SET role = ? WHERE id = ?", [role, id]);
    await logEvent(connection, "role-set", by, `${name} (${role})`);
  });

/** They sign in no more; what they did stays under their name. */
export const takeOut = (pool: Pool, id: number, by: By): Promise<Done> =>
  withPerson(pool, id, true, async (connection, { name }) => {
    await connection.execute("UPDATE people SET left_at = UTC_TIMESTAMP(3) WHERE id = ?", [id]);
    await endSessions(connection, id);
    await dropLinks(connection, id);
    await logEvent(connection, "person-left", by, name);
  });

/** For somebody who lost what they sign in with: a link that sets a password anew, and no second factor any more if that is lost too. */
export async function makePasswordLink(pool: Pool, id: number, losesFactor: boolean, by: By): Promise<Linked> {
  let link = "";
  const done = await withPerson(pool, id, false, async (connection, { name }) => {
    if (losesFactor) {
      await connection.execute("UPDATE people SET second_factor = NULL WHERE id = ?", [id]);
      await logEvent(connection, "factor-off", by, name);
    }
    link = await makeLink(connection, id, "password");
    await logEvent(connection, "link-made", by, name);
  });
  return "refused" in done ? done : { link };
}

/** @param leavesRun whether one less may run the store afterwards: somebody always has to */
async function withPerson(
  pool: Pool,
  id: number,
  leavesRun: boolean,
  work: (connection: PoolConnection, known: KnownRow) => Promise<void>,
): Promise<Done> {
  return inTransaction(pool, async (connection): Promise<Done> => {
    // All who run it are locked, so that two cannot take each other out at once.
    const [runners] = await connection.query<KnownRow[]>(
      "SELECT id, name, role, left_at FROM people WHERE role = 'run' AND left_at IS NULL ORDER BY id FOR UPDATE",
    );
    const [[known]] = await connection.execute<KnownRow[]>(
      "SELECT id, name, role, left_at FROM people WHERE id = ? AND left_at IS NULL FOR UPDATE",
      [id],
    );
    if (!known) return { refused: "no-such-person" };
    if (leavesRun && runners.every((one) => one.id === id)) return { refused: "last-to-run" };
    await work(connection, known);
    return { done: true };
  });
}

interface SecretsRow extends RowDataPacket {
  id: number;
  name: string;
  role: string;
  password: string | null;
  second_factor: string | null;
  second_factor_step: number;
}

/** What somebody signs in with. */
export type Secrets = {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly password: string | null;
  readonly secondFactor: string | null;
  /** The step of the last code that was taken. */
  readonly lastStep: number;
};

/** @param who a name as it was typed, or an id */
export async function secretsOf(connection: Pool | PoolConnection, who: string | number): Promise<Secrets | null> {
  const [column, value] = typeof who === "number" ? ["id", who] : ["name_key", nameKey(who)];
  const [[row]] = await connection.execute<SecretsRow[]>(
    `SELECT id, name, role, password, second_factor, second_factor_step FROM people WHERE ${column} = ? AND left_at IS NULL`,
    [value],
  );
  if (!row) return null;
  const { id, name, role, password, second_factor, second_factor_step } = row;
  return { id, name, role: roleOf(role), password, secondFactor: second_factor, lastStep: Number(second_factor_step) };
}

/** Sets a password, hashed before the transaction, since that takes a while; whoever knew the one before is out, on every other session too. */
export async function setPassword(
  connection: PoolConnection,
  id: number,
  hashed: string,
  but: number | undefined,
): Promise<void> {
  await connection.execute("UPDATE people SET password = ?, password_set_at = UTC_TIMESTAMP(3) WHERE id = ?", [
    hashed,
    id,
  ]);
  await endSessions(connection, id, but);
  await dropLinks(connection, id);
}

/** Takes a code as used. @returns false when another sign-in took it, or a later one, first */
export async function takeStep(pool: Pool, id: number, step: number): Promise<boolean> {
  const [taken] = await pool.execute<ResultSetHeader>(
    "UPDATE people SET second_factor_step = ? WHERE id = ? AND second_factor_step < ?",
    [step, id, step],
  );
  return taken.affectedRows === 1;
}

/** @param secret null: none any more */
export async function setFactor(pool: Pool, id: number, secret: string | null, step: number): Promise<void> {
  await pool.execute("UPDATE people SET second_factor = ?, second_factor_step = ? WHERE id = ?", [secret, step, id]);
}

const roleOf = (role: string): Role => (isRole(role) ? role : "look");
