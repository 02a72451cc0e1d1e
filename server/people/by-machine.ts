import type { Pool, RowDataPacket } from "mysql2/promise";
import { inTransaction } from "../database/pool.ts";
import { logEvent } from "../log/events.ts";
import { makeLink } from "./one-time-links.ts";
import { insertPerson } from "./people.ts";
import { nameKey } from "./person.ts";

// What whoever holds the machine may do without signing in.

const MACHINE = { name: "this machine", address: "" };
/** Who runs a store that nobody has run before. */
const FIRST = "Keeper";

interface RunnerRow extends RowDataPacket {
  id: number;
  has_password: number;
}

/**
 * A link that signs in whoever starts the app, for as long as nobody who runs the store has a password; null from then on.
 * The first time it makes the person whose it is.
 */
export function firstLink(pool: Pool): Promise<string | null> {
  return inTransaction(pool, async (connection): Promise<string | null> => {
    const [runners] = await connection.query<RunnerRow[]>(
      "SELECT id, password IS NOT NULL AS has_password FROM people WHERE role = 'run' AND left_at IS NULL ORDER BY id FOR UPDATE",
    );
    if (runners.some((one) => one.has_password === 1)) return null;
    const id = runners[0]?.id ?? (await insertPerson(connection, FIRST, "run"));
    await logEvent(connection, "link-made", MACHINE, FIRST);
    return makeLink(connection, id, "first");
  });
}

interface KnownRow extends RowDataPacket {
  id: number;
}

/**
 * Lets somebody run the store who could not get in any more, or never could: known or not, gone or not, they get the role, lose
 * the second factor, and set a password by a link.
 */
export function runAnew(pool: Pool, name: string): Promise<string> {
  return inTransaction(pool, async (connection) => {
    const [[known]] = await connection.execute<KnownRow[]>("SELECT id FROM people WHERE name_key = ? FOR UPDATE", [
      nameKey(name),
    ]);
    const id = known?.id ?? (await insertPerson(connection, name, "run"));
    await connection.execute("UPDATE people SET role = 'run', left_at = NULL, second_factor = NULL WHERE id = ?", [id]);
    await logEvent(connection, "role-set", MACHINE, `${name} (run)`);
    return makeLink(connection, id, "password");
  });
}
