import { isDeepStrictEqual } from "node:util";
import type { Pool, RowDataPacket } from "mysql2/promise";
import type { Calendars } from "../../core/places/location.ts";
import {
  type Entity,
  type EntityKind,
  entitiesOf,
  entityKey,
  planOf,
  type StoredEntity,
} from "../../core/plan/entities.ts";
import { inSnapshot } from "../database/pool.ts";
import { calendarsOf } from "../holidays/holidays.ts";
import { lastNumber, planInForce, type ReleasedPlan, waitingPlans } from "../releases/releases.ts";
import { readEntities, type UnreadableEntity } from "./entities.ts";

/** What differs between the draft and the release in force; null on the side where it is not there. */
export type DraftChange = { kind: EntityKind; id: string; released: Entity | null; draft: Entity | null };

/** The draft as a screen needs it. `sequence` counts change-sets. */
export type Draft = {
  sequence: number;
  entities: StoredEntity[];
  /** Rows that cannot be read as what they are, to be mended or removed. */
  unreadable: UnreadableEntity[];
  release: { number: number; releasedAt: string } | null;
  /** The highest number so far, whatever became of it; 0 before the first. */
  lastRelease: number;
  /** Those whose moment has not come, the next first. */
  waiting: WaitingRelease[];
  /** The public holidays that its locations keep. */
  calendars: Calendars;
  changes: DraftChange[];
};

/** `isDraft`: the draft says the same. `offersOn`: the offers that are on in it. */
export type WaitingRelease = { number: number; moment: string; isDraft: boolean; offersOn: string[] };

interface HeadRow extends RowDataPacket {
  sequence: number;
}

export function readDraft(pool: Pool): Promise<Draft> {
  return inSnapshot(pool, async (connection) => {
    const [[head]] = await connection.query<HeadRow[]>("SELECT sequence FROM draft_head WHERE id = 1");
    if (!head) throw new Error("the draft has no head row; the database was not migrated");
    const { entities, unreadable } = await readEntities(connection);
    const inForce = await planInForce(connection);
    const waiting = await waitingPlans(connection);
    return {
      sequence: head.sequence,
      entities,
      unreadable,
      calendars: await calendarsOf(planOf(entities) ?? {}, Date.now()),
      release: inForce && { number: inForce.release.number, releasedAt: inForce.release.releasedAt },
      lastRelease: await lastNumber(connection),
      waiting: waiting.map((one) => waitingRelease(one, entities)),
      changes: changesSince(inForce ? entitiesOf(inForce.plan) : [], entities),
    };
  });
}

function waitingRelease({ release, plan }: ReleasedPlan, draft: readonly StoredEntity[]): WaitingRelease {
  return {
    number: release.number,
    moment: release.moment ?? release.releasedAt,
    isDraft: changesSince(entitiesOf(plan), draft).length === 0,
    offersOn: plan.offers.filter(({ on }) => on).map(({ id }) => id),
  };
}

function changesSince(released: readonly Entity[], draft: readonly StoredEntity[]): DraftChange[] {
  const before = new Map(released.map((entity) => [entityKey(entity), entity]));
  const after = new Map(draft.map(({ revision: _, ...entity }): [string, Entity] => [entityKey(entity), entity]));
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((key): DraftChange[] => {
    const [old, now] = [before.get(key) ?? null, after.get(key) ?? null];
    const either = now ?? old;
    return !either || isDeepStrictEqual(old?.body, now?.body)
      ? []
      : [{ kind: either.kind, id: either.id, released: old, draft: now }];
  });
}
