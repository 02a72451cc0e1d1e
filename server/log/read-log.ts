import type { Pool, RowDataPacket } from "mysql2/promise";
import type { Entity, EntityKind } from "../../core/plan/entities.ts";
import type { EventKind } from "./events.ts";

/** What a line of the log is about. */
export const LOG_PARTS = ["changes", "releases", "claims", "people"] as const;
export type LogPart = (typeof LOG_PARTS)[number];

/** A thing of the plan as it was and as it was made; null where there was none. */
export type LoggedChange = {
  readonly kind: EntityKind;
  readonly id: string;
  readonly before: Entity["body"] | null;
  readonly after: Entity["body"] | null;
};

type Line<Part extends LogPart, More> = {
  readonly part: Part;
  /** RFC 3339. */
  readonly at: string;
  readonly by: string;
} & Readonly<More>;

export type LogLine =
  | Line<"changes", { sequence: number; changes: readonly LoggedChange[]; more: number }>
  | Line<"releases", { number: number; did: "released" | "called-off"; note: string; askedBy: string | null }>
  | Line<"claims", { order: string; offer: string; did: "claimed" | "gave-back" }>
  | Line<"people", { what: EventKind; about: string; address: string }>;

export type LogPage = { readonly lines: readonly LogLine[]; readonly hasMore: boolean };

type Asked = {
  readonly parts: readonly LogPart[];
  /** What has to stand in it: a name of somebody, of a thing, an order, a note. */
  readonly search: string;
  /** Lines before this moment, in RFC 3339; the newest without it. */
  readonly before: string | undefined;
};

const LINES = 50;

/** Who did what, the newest first. */
export async function readLog(pool: Pool, { parts, search, before }: Asked): Promise<LogPage> {
  const until = before === undefined ? new Date("9999-12-31") : new Date(before);
  const like = `%${search.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`)}%`;
  const found = await Promise.all(parts.map((part) => READERS[part](pool, until, like)));
  const lines = found.flat().sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
  return { lines: upTo(lines), hasMore: lines.length > LINES };
}

/** So many lines, and whatever else is of the last one's moment: the next page begins before it. */
function upTo(lines: readonly LogLine[]): LogLine[] {
  const last = lines[LINES - 1];
  return last ? lines.filter(({ at }, i) => i < LINES || at === last.at) : [...lines];
}

/** Of a change-set so many things are told, those first that fit what is searched for; a whole plan may have come at once. */
const THINGS = 40;
/** One more than are shown, to know whether there are more. */
const TAKEN = LINES + 1;

type Reader = (pool: Pool, until: Date, like: string) => Promise<LogLine[]>;

interface ChangeRow extends RowDataPacket {
  sequence: number;
  made_by: string;
  made_at: Date;
  things: number;
  kind: EntityKind;
  id: string;
  body_before: string | null;
  body_after: string | null;
}

/** What a thing is called, in whatever languages, as it is compared with what is searched for. */
const nameIn = (body: string) => `JSON_EXTRACT(${body}, '$.name') COLLATE utf8mb4_unicode_ci`;

const readChanges: Reader = async (pool, until, like) => {
  const fits = `(c.id LIKE ? OR ${nameIn("c.body_before")} LIKE ? OR ${nameIn("c.body_after")} LIKE ?)`;
  const [rows] = await pool.query<ChangeRow[]>(
    `SELECT k.sequence, k.made_by, k.made_at, k.things, c.kind, c.id, c.body_before, c.body_after
     FROM (
       SELECT s.sequence, s.made_by, s.made_at, c.kind, c.id, COUNT(*) OVER (PARTITION BY s.sequence) AS things,
              ROW_NUMBER() OVER (PARTITION BY s.sequence ORDER BY ${fits} DESC, c.kind, c.id) AS place
       FROM (
         SELECT sequence, made_by, made_at FROM change_sets WHERE made_at < ? AND (
           made_by LIKE ? OR EXISTS (SELECT 1 FROM changes c WHERE c.sequence = change_sets.sequence AND ${fits}))
         ORDER BY made_at DESC, sequence DESC LIMIT ?
       ) s JOIN changes c ON c.sequence = s.sequence
     ) k JOIN changes c ON c.sequence = k.sequence AND c.kind = k.kind AND c.id = k.id
     WHERE k.place <= ? ORDER BY k.sequence DESC, k.place`,
    [like, like, like, until, like, like, like, like, TAKEN, THINGS],
  );
  const sets = new Map<number, { row: ChangeRow; changes: LoggedChange[] }>();
  for (const row of rows) {
    const set = sets.get(row.sequence) ?? { row, changes: [] };
    set.changes.push({
      kind: row.kind,
      id: row.id,
      before: row.body_before === null ? null : JSON.parse(row.body_before),
      after: row.body_after === null ? null : JSON.parse(row.body_after),
    });
    sets.set(row.sequence, set);
  }
  return [...sets.values()].map(({ row: { sequence, made_by, made_at, things }, changes }) => ({
    ...{ part: "changes", at: made_at.toISOString(), by: made_by },
    ...{ sequence, changes, more: things - changes.length },
  }));
};

interface ReleaseRow extends RowDataPacket {
  number: number;
  at: Date;
  by_name: string;
  did: "released" | "called-off";
  note: string;
  asked_by: string | null;
}

const readReleases: Reader = async (pool, until, like) => {
  const [rows] = await pool.query<ReleaseRow[]>(
    `SELECT * FROM (
       SELECT number, released_at AS at, released_by AS by_name, 'released' AS did, note, asked_by FROM releases
       UNION ALL
       SELECT number, called_off_at, COALESCE(called_off_by, ''), 'called-off', '', NULL FROM releases
       WHERE called_off_at IS NOT NULL
     ) r WHERE at < ? AND (by_name LIKE ? OR note LIKE ? OR asked_by LIKE ? OR number LIKE ?)
     ORDER BY at DESC LIMIT ?`,
    [until, like, like, like, like, TAKEN],
  );
  return rows.map(({ number, at, by_name, did, note, asked_by }) => ({
    ...{ part: "releases", at: at.toISOString(), by: by_name },
    ...{ number, did, note, askedBy: asked_by },
  }));
};

interface ClaimRow extends RowDataPacket {
  order_id: string;
  offer: string;
  at: Date;
  claimed_by: string;
  did: "claimed" | "gave-back";
}

const readClaims: Reader = async (pool, until, like) => {
  const [rows] = await pool.query<ClaimRow[]>(
    `(SELECT order_id, offer, claimed_at AS at, claimed_by, 'claimed' AS did FROM redemptions
      WHERE claimed_at < ? AND (claimed_by LIKE ? OR order_id LIKE ? OR offer LIKE ?) ORDER BY claimed_at DESC LIMIT ?)
     UNION ALL
     (SELECT order_id, offer, given_back_at, claimed_by, 'gave-back' FROM redemptions
      WHERE given_back_at < ? AND (claimed_by LIKE ? OR order_id LIKE ? OR offer LIKE ?)
      ORDER BY given_back_at DESC LIMIT ?)`,
    [until, like, like, like, TAKEN, until, like, like, like, TAKEN],
  );
  return rows.map(({ order_id, offer, at, claimed_by, did }) => ({
    ...{ part: "claims", at: at.toISOString(), by: claimed_by },
    ...{ order: order_id, offer, did },
  }));
};

interface EventRow extends RowDataPacket {
  at: Date;
  made_by: string;
  what: EventKind;
  about: string;
  address: string;
}

const readEvents: Reader = async (pool, until, like) => {
  const [rows] = await pool.query<EventRow[]>(
    `SELECT at, made_by, what, about, address FROM events
     WHERE at < ? AND (made_by LIKE ? OR about LIKE ? OR what LIKE ?) ORDER BY number DESC LIMIT ?`,
    [until, like, like, like, TAKEN],
  );
  return rows.map(({ at, made_by, what, about, address }) => ({
    ...{ part: "people", at: at.toISOString(), by: made_by },
    ...{ what, about, address },
  }));
};

const READERS: Readonly<Record<LogPart, Reader>> = {
  changes: readChanges,
  releases: readReleases,
  claims: readClaims,
  people: readEvents,
};
