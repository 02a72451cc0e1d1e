import { createHash } from "node:crypto";
import type { RowDataPacket } from "mysql2/promise";

/**
 * Where a release stands: `in-force` shops are answered from it; `waiting` its moment has not come; `past` another has taken
 * its place; `called-off` it will never hold.
 */
export type ReleaseState = "in-force" | "waiting" | "past" | "called-off";

export type Release = {
  number: number;
  sequence: number;
  checksum: string;
  releasedBy: string;
  /** Who had asked for it, where it took two. */
  askedBy: string | null;
  releasedAt: string;
  /** From when it was to hold; null: from when it was made. */
  moment: string | null;
  calledOffAt: string | null;
  note: string;
  state: ReleaseState;
};

export interface ReleaseRow extends RowDataPacket {
  number: number;
  sequence: number;
  checksum: string;
  released_by: string;
  asked_by: string | null;
  released_at: Date;
  moment: Date | null;
  called_off_at: Date | null;
  note: string;
  is_due: number;
}

/** What is read of a release; whether its moment has come is by the database's clock, the one that all app servers share. */
export const COLUMNS =
  "number, sequence, checksum, released_by, asked_by, released_at, moment, called_off_at, note, holds_from <= UTC_TIMESTAMP(3) AS is_due";

/** The one that shops are answered from: of those whose moment has passed, the latest moment's; then the higher number. */
export const IN_FORCE =
  "called_off_at IS NULL AND holds_from <= UTC_TIMESTAMP(3) ORDER BY holds_from DESC, number DESC LIMIT 1";

/** @param inForce the number of the release that shops are answered from */
export const releaseOf = (row: ReleaseRow, inForce: number | null): Release => ({
  number: row.number,
  sequence: row.sequence,
  checksum: row.checksum,
  releasedBy: row.released_by,
  askedBy: row.asked_by,
  releasedAt: row.released_at.toISOString(),
  moment: row.moment?.toISOString() ?? null,
  calledOffAt: row.called_off_at?.toISOString() ?? null,
  note: row.note,
  state: stateOf(row, inForce),
});

function stateOf(row: ReleaseRow, inForce: number | null): ReleaseState {
  if (row.called_off_at) return "called-off";
  if (!row.is_due) return "waiting";
  return row.number === inForce ? "in-force" : "past";
}

/** Over the plan and the holidays frozen with it. */
export const checksumOf = (plan: string, calendars: string) =>
  createHash("sha256")
    .update(calendars === NO_CALENDARS ? plan : `${plan}\n${calendars}`)
    .digest("hex");
const NO_CALENDARS = "{}";
