import type { Pool, PoolConnection } from "mysql2/promise";

/** What is logged beside changes, releases and claims. */
export type EventKind =
  | "signed-in"
  | "sign-in-failed"
  | "signed-out"
  | "password-set"
  | "factor-set"
  | "factor-off"
  | "invited"
  | "role-set"
  | "link-made"
  | "person-left"
  | "sessions-ended"
  | "key-made"
  | "key-revoked"
  | "settings-set"
  | "release-asked"
  | "shopper-exported"
  | "shopper-erased";

/** Who did it, and from where. */
export type By = { readonly name: string; readonly address: string };

/** @param about whom or what it was done to, as it is called */
export async function logEvent(
  connection: Pool | PoolConnection,
  what: EventKind,
  { name, address }: By,
  about = "",
): Promise<void> {
  await connection.execute(
    "INSERT INTO events (at, made_by, what, about, address) VALUES (UTC_TIMESTAMP(3), ?, ?, ?, ?)",
    [name.slice(0, 100), what, about.slice(0, 1000), address.slice(0, 64)],
  );
}
