import { createHash } from "node:crypto";
import type { Connection, Pool, RowDataPacket } from "mysql2/promise";
import type { Calendars } from "../../core/places/location.ts";
import { planOf } from "../../core/plan/entities.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { planProblems } from "../../core/plan/problems/plan-problems.ts";
import { brokenRules } from "../../core/plan/problems/rules.ts";
import type { Problem } from "../../core/schema/problem.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import { checkPlan } from "../../core/validation/documents.ts";
import { inTransaction } from "../database/pool.ts";
import { lockHead } from "../draft/change-set.ts";
import { readEntities } from "../draft/entities.ts";
import { calendarsOf } from "../holidays/holidays.ts";
import { checkCalendars } from "../validation/documents.ts";

export type Release = { number: number; sequence: number; checksum: string; releasedBy: string; releasedAt: string };
export type ReleaseResult =
  | { release: Release }
  | { refused: "nothing-changed" | "empty" | "draft-moved"; sequence: number }
  | { refused: "unsound"; sequence: number; problems: Problem[] };

interface ReleaseRow extends RowDataPacket {
  number: number;
  sequence: number;
  checksum: string;
  released_by: string;
  released_at: Date;
}

interface PlanRow extends RowDataPacket {
  plan: string;
  calendars: string;
  checksum: string;
}

const COLUMNS = "number, sequence, checksum, released_by, released_at";

const releaseOf = (row: ReleaseRow): Release => ({
  number: row.number,
  sequence: row.sequence,
  checksum: row.checksum,
  releasedBy: row.released_by,
  releasedAt: row.released_at.toISOString(),
});

/** Over the plan and the holidays frozen with it. */
const checksumOf = (plan: string, calendars: string) =>
  createHash("sha256")
    .update(calendars === NO_CALENDARS ? plan : `${plan}\n${calendars}`)
    .digest("hex");
const NO_CALENDARS = "{}";

/**
 * Publishes the draft as the next release: an immutable snapshot that shops are answered from.
 *
 * @param seen the draft's sequence that was looked at; a draft that has moved on since is refused
 */
export async function releaseDraft(pool: Pool, seen: number, releasedBy: string): Promise<ReleaseResult> {
  return inTransaction(pool, async (connection): Promise<ReleaseResult> => {
    const sequence = await lockHead(connection);
    if (sequence !== seen) return { refused: "draft-moved", sequence };
    const [[last]] = await connection.query<ReleaseRow[]>(
      `SELECT ${COLUMNS} FROM releases ORDER BY number DESC LIMIT 1`,
    );
    const { entities, unreadable } = await readEntities(connection);
    const plan = planOf(entities);
    if (!plan) return { refused: "empty", sequence };
    const problems = [
      ...unreadable.map(({ kind, id }) => ({ path: "", message: `${kind} "${id}" cannot be read` })),
      ...planProblems(plan),
      ...brokenRules(plan),
    ];
    if (problems.length > 0) return { refused: "unsound", sequence, problems };
    const text = JSON.stringify(plan);
    const calendars = JSON.stringify(await calendarsOf(plan, Date.now()));
    const checksum = checksumOf(text, calendars);
    if (last?.checksum === checksum) return { refused: "nothing-changed", sequence };
    const number = (last?.number ?? 0) + 1;
    await connection.execute(
      "INSERT INTO releases (number, sequence, plan, calendars, checksum, released_by, released_at) VALUES (?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3))",
      [number, sequence, text, calendars, checksum, releasedBy],
    );
    const [[row]] = await connection.query<ReleaseRow[]>(`SELECT ${COLUMNS} FROM releases WHERE number = ?`, [number]);
    if (!row) throw new Error(`release ${number} is gone within its own transaction`);
    return { release: releaseOf(row) };
  });
}

/** All releases, newest first. */
export async function listReleases(pool: Pool): Promise<Release[]> {
  const [rows] = await pool.query<ReleaseRow[]>(`SELECT ${COLUMNS} FROM releases ORDER BY number DESC`);
  return rows.map(releaseOf);
}

/** The plan of the latest release with its number and time; null when nothing has been released. */
export async function latestPlan(connection: Pool | Connection): Promise<{ release: Release; plan: Plan } | null> {
  const [[row]] = await connection.query<ReleaseRow[]>(`SELECT ${COLUMNS} FROM releases ORDER BY number DESC LIMIT 1`);
  return row ? { release: releaseOf(row), plan: (await readRelease(connection, row.number)).plan } : null;
}

/** A release is immutable, so its compiled form is kept; only the newest few, since shops ask for the latest. */
const compiledReleases = new Map<string, CompiledPlan>();
const MOST_COMPILED = 3;

interface LatestRow extends RowDataPacket {
  number: number;
  checksum: string;
}

/** The latest release, ready to answer; null when nothing has been released. @throws when a stored release is damaged */
export async function latestRelease(pool: Pool): Promise<{ number: number; compiled: CompiledPlan } | null> {
  const [[latest]] = await pool.query<LatestRow[]>(
    "SELECT number, checksum FROM releases ORDER BY number DESC LIMIT 1",
  );
  if (!latest) return null;
  // Number and checksum together: another database behind the same server would number its own releases.
  const key = `${latest.number} ${latest.checksum}`;
  const kept = compiledReleases.get(key);
  if (kept) return { number: latest.number, compiled: kept };
  const { plan, calendars } = await readRelease(pool, latest.number);
  const result = compile(plan, calendars);
  if ("problems" in result)
    throw new Error(`release ${latest.number} does not compile: ${JSON.stringify(result.problems)}`);
  const [oldest] = compiledReleases.keys();
  if (oldest !== undefined && compiledReleases.size >= MOST_COMPILED) compiledReleases.delete(oldest);
  compiledReleases.set(key, result.compiled);
  return { number: latest.number, compiled: result.compiled };
}

async function readRelease(
  connection: Pool | Connection,
  number: number,
): Promise<{ plan: Plan; calendars: Calendars }> {
  const [[row]] = await connection.query<PlanRow[]>("SELECT plan, calendars, checksum FROM releases WHERE number = ?", [
    number,
  ]);
  if (!row || checksumOf(row.plan, row.calendars) !== row.checksum)
    throw new Error(`release ${number} is damaged: its checksum does not fit`);
  const checked = checkPlan(JSON.parse(row.plan));
  const calendars = checkCalendars(JSON.parse(row.calendars));
  const problems = [checked, calendars].flatMap((one) => ("problems" in one ? one.problems : []));
  if ("problems" in checked || "problems" in calendars)
    throw new Error(`release ${number} has the wrong form: ${JSON.stringify(problems)}`);
  return { plan: checked.value, calendars: calendars.value };
}
