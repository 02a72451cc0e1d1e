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
import { latestPlan } from "../releases/releases.ts";
import { readEntities, type UnreadableEntity } from "./entities.ts";

/** What differs between the draft and the latest release; null on the side where it is not there. */
export type DraftChange = { kind: EntityKind; id: string; released: Entity | null; draft: Entity | null };

/** The draft as a screen needs it. `sequence` counts change-sets. */
export type Draft = {
  sequence: number;
  entities: StoredEntity[];
  /** Rows that cannot be read as what they are, to be mended or removed. */
  unreadable: UnreadableEntity[];
  release: { number: number; releasedAt: string } | null;
  /** The public holidays that its locations keep. */
  calendars: Calendars;
  changes: DraftChange[];
};

interface HeadRow extends RowDataPacket {
  sequence: number;
}

export function readDraft(pool: Pool): Promise<Draft> {
  return inSnapshot(pool, async (connection) => {
    const [[head]] = await connection.query<HeadRow[]>("SELECT sequence FROM draft_head WHERE id = 1");
    if (!head) throw new Error("the draft has no head row; the database was not migrated");
    const { entities, unreadable } = await readEntities(connection);
    const latest = await latestPlan(connection);
    return {
      sequence: head.sequence,
      entities,
      unreadable,
      calendars: await calendarsOf(planOf(entities) ?? {}, Date.now()),
      release: latest && { number: latest.release.number, releasedAt: latest.release.releasedAt },
      changes: changesSince(latest ? entitiesOf(latest.plan) : [], entities),
    };
  });
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
