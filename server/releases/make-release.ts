import type { Pool, PoolConnection, RowDataPacket } from "mysql2/promise";
import type { RateTable } from "../../core/money/rates.ts";
import { phrase } from "../../core/phrases/phrase.ts";
import type { Calendars } from "../../core/places/location.ts";
import { planOf } from "../../core/plan/entities.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { planProblems } from "../../core/plan/problems/plan-problems.ts";
import { brokenRules } from "../../core/plan/problems/rules.ts";
import { wordsOfKey } from "../../core/schema/key-words.ts";
import type { Problem } from "../../core/schema/problem.ts";
import { inTransaction } from "../database/pool.ts";
import { lockHead } from "../draft/change-set.ts";
import { readEntities } from "../draft/entities.ts";
import { calendarsOf } from "../holidays/holidays.ts";
import { readSettings } from "../settings/settings.ts";
import { askForRelease, type ReleaseAsked, releaseAsked } from "./asked-releases.ts";
import { checksumOf, IN_FORCE, type Release } from "./release.ts";
import { lastNumber, planInForce, type ReleasedPlan, readRelease } from "./releases.ts";

export type Refusal =
  | "nothing-changed"
  | "empty"
  | "draft-moved"
  | "moment-passed"
  | "not-waiting"
  | "no-such-offer"
  | "nothing-in-force"
  | "second-person";
export type ReleaseResult =
  | { release: Release }
  | { asked: ReleaseAsked }
  | { refused: Refusal; sequence: number }
  | { refused: "unsound"; sequence: number; problems: Problem[] };

type Wanted = {
  /** From when it is to hold, by RFC 3339; without one, at once. */
  readonly moment?: string | undefined;
  readonly note?: string | undefined;
};

interface ClockRow extends RowDataPacket {
  now: Date;
}

/**
 * Publishes the draft as the next release: an immutable snapshot that shops are answered from, at once or from a moment on. Where
 * the settings want a second person, the first one asks for it, and it is made, as it was asked for, by another.
 *
 * @param seen the draft's sequence that was looked at; a draft that has moved on since is refused
 */
export async function releaseDraft(pool: Pool, seen: number, by: string, wanted: Wanted = {}): Promise<ReleaseResult> {
  return inTransaction(pool, async (connection): Promise<ReleaseResult> => {
    const sequence = await lockHead(connection);
    if (sequence !== seen) return { refused: "draft-moved", sequence };
    const { entities, unreadable } = await readEntities(connection);
    const plan = planOf(entities);
    if (!plan) return { refused: "empty", sequence };
    const problems = [
      ...unreadable.map(({ kind, id }) => ({
        path: "",
        message: phrase('{kind} "{id}" cannot be read', { kind: phrase(wordsOfKey(kind)), id }),
      })),
      ...planProblems(plan),
      ...brokenRules(plan),
    ];
    if (problems.length > 0) return { refused: "unsound", sequence, problems };
    const calendars = await calendarsOf(plan, Date.now());
    if (!(await readSettings(connection)).secondPerson)
      return write(connection, { plan, calendars, sequence, by, ...wanted });
    const asked = await releaseAsked(connection);
    if (!asked || asked.by === by) return { asked: await askForRelease(connection, sequence, by, wanted) };
    const { moment, note } = asked;
    return write(connection, { plan, calendars, sequence, by, askedBy: asked.by, moment: moment ?? undefined, note });
  });
}

/** Calls off a release that waits. It stays readable. */
export async function callOff(pool: Pool, number: number, by: string): Promise<ReleaseResult> {
  return inTransaction(pool, async (connection): Promise<ReleaseResult> => {
    const sequence = await lockHead(connection);
    const found = await readRelease(connection, number);
    if (found?.release.state !== "waiting") return { refused: "not-waiting", sequence };
    await putAside(connection, number, by);
    return stored(connection, number);
  });
}

/**
 * Makes a waiting release anew with the draft's rates and today's holidays: a new one with the same moment takes its place, the
 * former stays readable.
 */
export const freezeAnew = (pool: Pool, number: number, by: string): Promise<ReleaseResult> =>
  remake(pool, number, by, true, async (connection, { plan }) => {
    const { entities } = await readEntities(connection);
    const newest = new Map(
      entities.flatMap((one): [string, RateTable][] => (one.kind === "rates" ? [[one.id, one.body]] : [])),
    );
    return plan.rates ? { ...plan, rates: plan.rates.map((table) => newest.get(table.id) ?? table) } : plan;
  });

/** The same for one that would bring back, or take away, an offer that was switched at once. */
export const remakeWithOffer = (pool: Pool, number: number, by: string, offer: string, on: boolean) =>
  remake(pool, number, by, on, async (_, { plan }) => withOffer(plan, offer, on));

/** @param gives whether shoppers may get more by it, which where two have to make a release one may not; taking away may wait for nobody */
async function remake(
  pool: Pool,
  number: number,
  by: string,
  gives: boolean,
  change: (connection: PoolConnection, former: ReleasedPlan) => Promise<Plan | null>,
): Promise<ReleaseResult> {
  return inTransaction(pool, async (connection): Promise<ReleaseResult> => {
    const sequence = await lockHead(connection);
    if (gives && (await readSettings(connection)).secondPerson) return { refused: "second-person", sequence };
    const former = await readRelease(connection, number);
    if (former?.release.state !== "waiting") return { refused: "not-waiting", sequence };
    const plan = await change(connection, former);
    if (!plan) return { refused: "no-such-offer", sequence };
    const problems = planProblems(plan);
    if (problems.length > 0) return { refused: "unsound", sequence, problems };
    const calendars = await calendarsOf(plan, Date.now());
    const { moment, note, checksum, sequence: seen } = former.release;
    if (checksumOf(JSON.stringify(plan), JSON.stringify(calendars)) === checksum)
      return { refused: "nothing-changed", sequence };
    const made = await write(connection, { plan, calendars, sequence: seen, by, moment: moment ?? undefined, note });
    if ("release" in made) await putAside(connection, number, by);
    return made;
  });
}

/**
 * Switches one offer off, or on again, in what shops get now: the release in force without it, made at once. The draft stays as
 * it is. Rules that came after that release do not stand in the way.
 */
export async function switchOffer(pool: Pool, offer: string, on: boolean, by: string): Promise<ReleaseResult> {
  return inTransaction(pool, async (connection): Promise<ReleaseResult> => {
    const sequence = await lockHead(connection);
    if (on && (await readSettings(connection)).secondPerson) return { refused: "second-person", sequence };
    const now = await planInForce(connection);
    if (!now) return { refused: "nothing-in-force", sequence };
    const plan = withOffer(now.plan, offer, on);
    if (!plan) return { refused: "no-such-offer", sequence };
    const name = plan.offers.find(({ id }) => id === offer)?.name ?? offer;
    const note = `“${name}” switched ${on ? "on" : "off"} at once`;
    return write(connection, { plan, calendars: now.calendars, sequence: now.release.sequence, by, note });
  });
}

function withOffer(plan: Plan, offer: string, on: boolean): Plan | null {
  if (!plan.offers.some(({ id }) => id === offer)) return null;
  return { ...plan, offers: plan.offers.map((one) => (one.id === offer ? { ...one, on } : one)) };
}

type Snapshot = Wanted & {
  readonly plan: Plan;
  readonly calendars: Calendars;
  readonly sequence: number;
  readonly by: string;
  /** Who had asked for it, where it takes two. */
  readonly askedBy?: string;
};

interface BeforeRow extends RowDataPacket {
  checksum: string;
}

async function write(connection: PoolConnection, snapshot: Snapshot): Promise<ReleaseResult> {
  const { sequence, by, askedBy, moment, note = "" } = snapshot;
  const at = moment === undefined ? null : new Date(moment);
  const [[clock]] = await connection.query<ClockRow[]>("SELECT UTC_TIMESTAMP(3) AS now");
  if (at && clock && at <= clock.now) return { refused: "moment-passed", sequence };
  const plan = JSON.stringify(snapshot.plan);
  const calendars = JSON.stringify(snapshot.calendars);
  const checksum = checksumOf(plan, calendars);
  // What would hold at that moment without it.
  const [[before]] = at
    ? await connection.query<BeforeRow[]>(
        "SELECT checksum FROM releases WHERE called_off_at IS NULL AND holds_from <= ? ORDER BY holds_from DESC, number DESC LIMIT 1",
        [at],
      )
    : await connection.query<BeforeRow[]>(`SELECT checksum FROM releases WHERE ${IN_FORCE}`);
  if (before?.checksum === checksum) return { refused: "nothing-changed", sequence };
  const number = (await lastNumber(connection)) + 1;
  await connection.execute(
    "INSERT INTO releases (number, sequence, plan, calendars, checksum, released_by, asked_by, released_at, moment, note) VALUES (?, ?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3), ?, ?)",
    [number, sequence, plan, calendars, checksum, by, askedBy ?? null, at, note],
  );
  return stored(connection, number);
}

async function stored(connection: PoolConnection, number: number): Promise<{ release: Release }> {
  const found = await readRelease(connection, number);
  if (!found) throw new Error(`release ${number} is gone within its own transaction`);
  return { release: found.release };
}

const putAside = (connection: PoolConnection, number: number, by: string) =>
  connection.execute("UPDATE releases SET called_off_at = UTC_TIMESTAMP(3), called_off_by = ? WHERE number = ?", [
    by,
    number,
  ]);
