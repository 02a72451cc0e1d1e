import type { Connection, Pool, RowDataPacket } from "mysql2/promise";
import type { Calendars } from "../../core/places/location.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { problemLine } from "../../core/schema/problem.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import { checkPlan } from "../../core/validation/documents.ts";
import { checkCalendars } from "../validation/documents.ts";
import { COLUMNS, checksumOf, IN_FORCE, type Release, type ReleaseRow, releaseOf } from "./release.ts";

interface PlanRow extends RowDataPacket {
  plan: string;
  calendars: string;
  checksum: string;
}

interface NumberRow extends RowDataPacket {
  number: number;
  checksum: string;
}

const WAITING = "called_off_at IS NULL AND holds_from > UTC_TIMESTAMP(3)";

/** The number of the release that shops are answered from; null when there is none. */
async function inForceNumber(connection: Pool | Connection): Promise<number | null> {
  const [[row]] = await connection.query<NumberRow[]>(`SELECT number, checksum FROM releases WHERE ${IN_FORCE}`);
  return row?.number ?? null;
}

/** The highest number so far, whatever became of it; 0 before the first. */
export async function lastNumber(connection: Pool | Connection): Promise<number> {
  const [[row]] = await connection.query<(RowDataPacket & { number: number | null })[]>(
    "SELECT MAX(number) AS number FROM releases",
  );
  return row?.number ?? 0;
}

/** All releases, newest first. */
export async function listReleases(connection: Pool | Connection): Promise<Release[]> {
  const inForce = await inForceNumber(connection);
  const [rows] = await connection.query<ReleaseRow[]>(`SELECT ${COLUMNS} FROM releases ORDER BY number DESC`);
  return rows.map((row) => releaseOf(row, inForce));
}

export type ReleasedPlan = { release: Release; plan: Plan; calendars: Calendars };

/** One release with all that was frozen in it; null where there is none of that number. @throws when what is stored is damaged */
export async function readRelease(connection: Pool | Connection, number: number): Promise<ReleasedPlan | null> {
  const [[row]] = await connection.query<ReleaseRow[]>(`SELECT ${COLUMNS} FROM releases WHERE number = ?`, [number]);
  if (!row) return null;
  return { release: releaseOf(row, await inForceNumber(connection)), ...(await readSnapshot(connection, number)) };
}

/** The release in force with its plan; null when nothing holds yet. */
export async function planInForce(connection: Pool | Connection): Promise<ReleasedPlan | null> {
  const number = await inForceNumber(connection);
  return number === null ? null : readRelease(connection, number);
}

/** Those whose moment has not come, the next first. */
export async function waitingPlans(connection: Pool | Connection): Promise<ReleasedPlan[]> {
  const [rows] = await connection.query<ReleaseRow[]>(
    `SELECT ${COLUMNS} FROM releases WHERE ${WAITING} ORDER BY holds_from, number`,
  );
  const plans: ReleasedPlan[] = [];
  for (const row of rows)
    plans.push({ release: releaseOf(row, null), ...(await readSnapshot(connection, row.number)) });
  return plans;
}

/** A release is immutable, so its compiled form is kept; only the newest few, since shops ask for the one in force. */
const compiledReleases = new Map<string, CompiledPlan>();
const MOST_COMPILED = 3;

/** What shops are answered from. */
export type InForce = {
  readonly number: number;
  readonly compiled: CompiledPlan;
  /** Milliseconds until another one holds; null when none waits. */
  readonly nextIn: number | null;
};

interface InForceRow extends NumberRow {
  next_in: number | null;
}

/** The release in force, ready to answer; null when nothing holds yet. @throws when a stored release is damaged */
export async function releaseInForce(pool: Pool): Promise<InForce | null> {
  const [[row]] = await pool.query<InForceRow[]>(
    `SELECT number, checksum,
       (SELECT TIMESTAMPDIFF(MICROSECOND, UTC_TIMESTAMP(3), MIN(holds_from)) DIV 1000 FROM releases WHERE ${WAITING}) AS next_in
     FROM releases WHERE ${IN_FORCE}`,
  );
  if (!row) return null;
  const { number, next_in: nextIn } = row;
  // Number and checksum together: another database behind the same server would number its own releases.
  const key = `${number} ${row.checksum}`;
  const kept = compiledReleases.get(key);
  if (kept) return { number, compiled: kept, nextIn };
  const { plan, calendars } = await readSnapshot(pool, number);
  const result = compile(plan, calendars);
  if ("problems" in result)
    throw new Error(`release ${number} does not compile: ${result.problems.map(problemLine).join("; ")}`);
  const [oldest] = compiledReleases.keys();
  if (oldest !== undefined && compiledReleases.size >= MOST_COMPILED) compiledReleases.delete(oldest);
  compiledReleases.set(key, result.compiled);
  return { number, compiled: result.compiled, nextIn };
}

async function readSnapshot(
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
    throw new Error(`release ${number} has the wrong form: ${problems.map(problemLine).join("; ")}`);
  return { plan: checked.value, calendars: calendars.value };
}
