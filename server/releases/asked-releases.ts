import type { Pool, PoolConnection, RowDataPacket } from "mysql2/promise";
import { logEvent } from "../log/events.ts";

/** A release that somebody has asked for and that waits for another; times in RFC 3339. */
export type ReleaseAsked = {
  /** The draft's, that was looked at: once it moves on, nobody has asked for anything. */
  readonly sequence: number;
  readonly by: string;
  readonly at: string;
  /** From when it is to hold; null: from when it is made. */
  readonly moment: string | null;
  readonly note: string;
};

interface AskedRow extends RowDataPacket {
  sequence: number;
  asked_by: string;
  asked_at: Date;
  moment: Date | null;
  note: string;
}

/** What is asked for of the draft as it is; null when nothing is, or its moment has passed. */
export async function releaseAsked(connection: Pool | PoolConnection): Promise<ReleaseAsked | null> {
  const [[row]] = await connection.query<AskedRow[]>(
    `SELECT r.* FROM release_requests r JOIN draft_head h ON h.id = 1 AND h.sequence = r.sequence
     WHERE r.moment IS NULL OR r.moment > UTC_TIMESTAMP(3)`,
  );
  if (!row) return null;
  const { sequence, asked_by: by, asked_at, moment, note } = row;
  return { sequence, by, at: asked_at.toISOString(), moment: moment?.toISOString() ?? null, note };
}

/** Asks for it, in place of whatever was asked for before. */
export async function askForRelease(
  connection: PoolConnection,
  sequence: number,
  by: string,
  { moment, note = "" }: { readonly moment?: string | undefined; readonly note?: string | undefined },
): Promise<ReleaseAsked> {
  await connection.query("DELETE FROM release_requests");
  await connection.execute(
    "INSERT INTO release_requests (sequence, asked_by, asked_at, moment, note) VALUES (?, ?, UTC_TIMESTAMP(3), ?, ?)",
    [sequence, by, moment === undefined ? null : new Date(moment), note],
  );
  await logEvent(connection, "release-asked", { name: by, address: "" });
  const asked = await releaseAsked(connection);
  return asked ?? { sequence, by, at: new Date().toISOString(), moment: moment ?? null, note };
}
