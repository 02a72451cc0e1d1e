import type { Pool, PoolConnection, RowDataPacket } from "mysql2/promise";
import type { SavedConditions } from "../../core/conditions/condition.ts";
import { phrase } from "../../core/phrases/phrase.ts";
import {
  type Entity,
  type EntityKind,
  entityAt,
  entityKey,
  planOf,
  type StoredEntity,
} from "../../core/plan/entities.ts";
import { ruleProblems } from "../../core/plan/problems/rules.ts";
import { wordsOfKey } from "../../core/schema/key-words.ts";
import { type Problem, problemLine } from "../../core/schema/problem.ts";
import { compile } from "../../core/tariff/compile.ts";
import { inTransaction } from "../database/pool.ts";
import { calendarProblems } from "../holidays/holidays.ts";
import type { ChangeSet } from "./change-set-schema.ts";
import { checkedEntity, readEntities } from "./entities.ts";

/** A write that was based on an older version: what it saw, what is there now, and what was to be written. */
export type Conflict = {
  kind: EntityKind;
  id: string;
  seen: number;
  current: { revision: number; body: Entity["body"] | null };
  yours: Entity["body"] | null;
};

/** What was written, and what others had written since the sequence that the change-set knew of. */
export type SavedChanges = {
  sequence: number;
  entities: StoredEntity[];
  removed: { kind: EntityKind; id: string }[];
};

export type ChangeResult = SavedChanges | { conflicts: Conflict[] } | { problems: Problem[] };

type CheckedWrite = { kind: EntityKind; id: string; seen: number; entity: Entity | null };

/**
 * Applies a change-set in one transaction under the draft's next sequence number, and logs it. Nothing is written when
 * any write is stale or the plan would no longer hold together.
 */
export async function applyChangeSet(pool: Pool, changeSet: ChangeSet, madeBy: string): Promise<ChangeResult> {
  const checked = checkWrites(changeSet);
  if ("problems" in checked) return checked;
  const { writes } = checked;
  return inTransaction(pool, async (connection): Promise<ChangeResult> => {
    const sequence = (await lockHead(connection)) + 1;
    const { entities, unreadable } = await readEntities(connection);
    const before = new Map(entities.map((entity) => [entityKey(entity), entity]));
    const broken = new Map(unreadable.map((entity) => [entityKey(entity), entity]));

    const conflicts = writes.flatMap((write) => {
      // What cannot be read may be written over by whoever has seen it.
      const there = broken.get(entityKey(write));
      return conflictOf(write, there ? { revision: there.revision, body: null } : before.get(entityKey(write)));
    });
    if (conflicts.length > 0) return { conflicts };

    const after = new Map<string, Entity>(before);
    for (const write of writes) {
      if (write.entity) after.set(entityKey(write), write.entity);
      else after.delete(entityKey(write));
    }
    const problems = [...(await planWideProblems([...after.values()], writes)), ...newlyBroken(before, after, writes)];
    if (problems.length > 0) return { problems };

    await writeAll(connection, writes, before, sequence, madeBy);
    const { since } = changeSet;
    const others =
      since === undefined ? NOTHING : await changedSince(connection, since, entities, new Set(writes.map(entityKey)));
    return {
      sequence,
      entities: [
        ...writes.flatMap(({ entity }) => (entity ? [{ ...entity, revision: sequence }] : [])),
        ...others.entities,
      ],
      removed: [...writes.flatMap(({ kind, id, entity }) => (entity ? [] : [{ kind, id }])), ...others.removed],
    };
  });
}

const NOTHING = { entities: [], removed: [] };

interface RemovedRow extends RowDataPacket {
  kind: EntityKind;
  id: string;
}

/** What was changed and removed after a sequence, without what is written now. @param entities as they were before that */
async function changedSince(
  connection: PoolConnection,
  since: number,
  entities: readonly StoredEntity[],
  written: ReadonlySet<string>,
): Promise<Omit<SavedChanges, "sequence">> {
  const isTheirs = (one: { kind: EntityKind; id: string }) => !written.has(entityKey(one));
  const [rows] = await connection.execute<RemovedRow[]>(
    `SELECT DISTINCT c.kind, c.id FROM changes c
     LEFT JOIN draft_entities e ON e.kind = c.kind AND e.id = c.id
     WHERE c.sequence > ? AND e.id IS NULL`,
    [since],
  );
  return {
    entities: entities.filter((one) => one.revision > since && isTheirs(one)),
    removed: rows.map(({ kind, id }) => ({ kind, id })).filter(isTheirs),
  };
}

function checkWrites({ writes }: ChangeSet): { writes: CheckedWrite[] } | { problems: Problem[] } {
  const problems: Problem[] = [];
  const named = new Set<string>();
  const checkedWrites: CheckedWrite[] = [];
  writes.forEach(({ kind, id, seen, body }, i) => {
    const key = entityKey({ kind, id });
    if (named.has(key))
      problems.push({
        path: `/writes/${i}`,
        message: phrase('{kind} "{id}" is written twice', { kind: phrase(wordsOfKey(kind)), id }),
      });
    named.add(key);
    if (body === null) {
      checkedWrites.push({ kind, id, seen, entity: null });
      return;
    }
    const checked = checkedEntity(kind, id, body);
    if ("problems" in checked) {
      problems.push(...checked.problems.map(({ path, message }) => ({ path: `/writes/${i}/body${path}`, message })));
    } else {
      checkedWrites.push({ kind, id, seen, entity: checked.value });
    }
  });
  return problems.length > 0 ? { problems } : { writes: checkedWrites };
}

interface HeadRow extends RowDataPacket {
  sequence: number;
}

/** Locks the draft's one head row, so that change-sets and releases come one after the other; returns its sequence. */
export async function lockHead(connection: PoolConnection): Promise<number> {
  const [[head]] = await connection.query<HeadRow[]>("SELECT sequence FROM draft_head WHERE id = 1 FOR UPDATE");
  if (!head) throw new Error("the draft has no head row; the database was not migrated");
  return head.sequence;
}

function conflictOf({ kind, id, seen, entity }: CheckedWrite, current: Conflict["current"] | undefined): Conflict[] {
  const revision = current?.revision ?? 0;
  if (revision === seen) return [];
  return [{ kind, id, seen, current: { revision, body: current?.body ?? null }, yours: entity?.body ?? null }];
}

/** Problems of the plan as it would be, with paths into the change-set where a write is to blame. */
async function planWideProblems(entities: readonly Entity[], writes: readonly CheckedWrite[]): Promise<Problem[]> {
  const plan = planOf(entities);
  if (!plan) return [{ path: "/writes", message: phrase("the plan must keep its store") }];
  const result = compile(plan);
  const problems = "problems" in result ? result.problems : await calendarProblems(plan, Date.now());
  return problems.map(({ path, message }) => {
    const about = entityAt(plan, path);
    if (!about) return { path, message };
    const { kind, id } = about.entity;
    const { rest } = about;
    const write = writes.findIndex((candidate) => candidate.kind === kind && candidate.id === id);
    return write >= 0
      ? { path: `/writes/${write}/body${rest}`, message }
      : {
          path: "/writes",
          message: phrase('{kind} "{id}" would break at {rest}: {message}', {
            kind: phrase(wordsOfKey(kind)),
            id,
            rest,
            message,
          }),
        };
  });
}

/** Rules that a write breaks and its entity did not break before. */
function newlyBroken(
  before: ReadonlyMap<string, Entity>,
  after: ReadonlyMap<string, Entity>,
  writes: readonly CheckedWrite[],
): Problem[] {
  const saved = (entities: ReadonlyMap<string, Entity>): SavedConditions =>
    new Map(
      [...entities.values()].flatMap(({ kind, id, body }) => (kind === "condition" ? [[id, body] as const] : [])),
    );
  const [savedBefore, savedAfter] = [saved(before), saved(after)];
  return writes.flatMap(({ entity }, i) => {
    if (!entity) return [];
    const old = before.get(entityKey(entity));
    const known = new Set((old ? ruleProblems(old, savedBefore) : []).map(problemLine));
    return ruleProblems(entity, savedAfter)
      .filter((problem) => !known.has(problemLine(problem)))
      .map(({ path, message }) => ({ path: `/writes/${i}/body${path}`, message }));
  });
}

/** Writes under a sequence number, and logs it. */
export async function writeAll(
  connection: PoolConnection,
  writes: readonly CheckedWrite[],
  before: ReadonlyMap<string, StoredEntity>,
  sequence: number,
  madeBy: string,
): Promise<void> {
  await connection.execute("UPDATE draft_head SET sequence = ? WHERE id = 1", [sequence]);
  await connection.execute("INSERT INTO change_sets (sequence, made_by, made_at) VALUES (?, ?, UTC_TIMESTAMP(3))", [
    sequence,
    madeBy,
  ]);
  for (const { kind, id, entity } of writes) {
    const old = before.get(entityKey({ kind, id }));
    const body = entity ? JSON.stringify(entity.body) : null;
    await connection.execute(
      "INSERT INTO changes (sequence, kind, id, body_before, body_after) VALUES (?, ?, ?, ?, ?)",
      [sequence, kind, id, old ? JSON.stringify(old.body) : null, body],
    );
    if (entity === null) {
      await connection.execute("DELETE FROM draft_entities WHERE kind = ? AND id = ?", [kind, id]);
    } else {
      const position = "position" in entity.body ? entity.body.position : 0;
      await connection.execute(
        `INSERT INTO draft_entities (kind, id, position, body, revision) VALUES (?, ?, ?, ?, ?)
         ON DUPLICATE KEY UPDATE position = VALUES(position), body = VALUES(body), revision = VALUES(revision)`,
        [kind, id, position, body, sequence],
      );
    }
  }
}
