import type { Pool, PoolConnection, RowDataPacket } from "mysql2/promise";
import { hashOf, newSecret } from "./secret.ts";

/**
 * What a link that works once is for: `first` signs in whoever holds the machine; `invite` and `password` let a person set a
 * password.
 */
export type LinkKind = "first" | "invite" | "password";

/** Hours that a link works. */
const HOURS: Readonly<Record<LinkKind, number>> = { first: 24, invite: 7 * 24, password: 24 };

/** Makes a link for a person; those made before work no more. @returns its secret, for the fragment of an address */
export async function makeLink(connection: PoolConnection, person: number, kind: LinkKind): Promise<string> {
  const secret = newSecret();
  await dropLinks(connection, person);
  await connection.execute(
    `INSERT INTO one_time_links (token_hash, person, kind, made_at, ends_at)
     VALUES (?, ?, ?, UTC_TIMESTAMP(3), UTC_TIMESTAMP(3) + INTERVAL ? HOUR)`,
    [hashOf(secret), person, kind, HOURS[kind]],
  );
  return secret;
}

/** A person's links work no more. */
export async function dropLinks(connection: PoolConnection, person: number): Promise<void> {
  await connection.execute("DELETE FROM one_time_links WHERE person = ? AND used_at IS NULL", [person]);
}

/** Whose a link is, and what it is for. */
export type LinkOf = { readonly person: number; readonly name: string; readonly kind: LinkKind };

interface LinkRow extends RowDataPacket {
  person: number;
  name: string;
  kind: LinkKind;
}

const WORKS = "l.used_at IS NULL AND l.ends_at > UTC_TIMESTAMP(3) AND p.left_at IS NULL";

/** Whose link that is; null when it works no more. */
export async function linkOf(connection: Pool | PoolConnection, secret: string): Promise<LinkOf | null> {
  const [[row]] = await connection.execute<LinkRow[]>(
    `SELECT l.person, p.name, l.kind FROM one_time_links l JOIN people p ON p.id = l.person
     WHERE l.token_hash = ? AND ${WORKS}`,
    [hashOf(secret)],
  );
  return row ?? null;
}

/** Uses a link up. @returns whose it was; null when it works no more, for whoever came second too */
export async function useLink(connection: PoolConnection, secret: string): Promise<LinkOf | null> {
  const [[row]] = await connection.execute<LinkRow[]>(
    `SELECT l.person, p.name, l.kind FROM one_time_links l JOIN people p ON p.id = l.person
     WHERE l.token_hash = ? AND ${WORKS} FOR UPDATE`,
    [hashOf(secret)],
  );
  if (!row) return null;
  await connection.execute("UPDATE one_time_links SET used_at = UTC_TIMESTAMP(3) WHERE token_hash = ?", [
    hashOf(secret),
  ]);
  return row;
}
