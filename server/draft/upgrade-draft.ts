import { isDeepStrictEqual } from "node:util";
import type { Pool, RowDataPacket } from "mysql2/promise";
import { entitiesOf, entityKey, planOf } from "../../core/plan/entities.ts";
import { fromFormat1 } from "../../core/plan/former-formats.ts";
import { FORMAT } from "../../core/plan/plan.ts";
import { inTransaction } from "../database/pool.ts";
import { lockHead, writeAll } from "./change-set.ts";
import { readEntities } from "./entities.ts";

interface FormatRow extends RowDataPacket {
  format: number;
}

/**
 * Brings a draft that was written in an older format to the newest, as one change-set of its own in the log.
 *
 * @returns how many of its entities say something in another way now
 */
export async function upgradeDraft(pool: Pool): Promise<number> {
  return inTransaction(pool, async (connection) => {
    const sequence = await lockHead(connection);
    const [[head]] = await connection.query<FormatRow[]>("SELECT format FROM draft_head WHERE id = 1");
    if (head?.format === FORMAT) return 0;
    const { entities } = await readEntities(connection);
    const before = new Map(entities.map((entity) => [entityKey(entity), entity]));
    const plan = planOf(entities);
    const changed = (plan ? entitiesOf(fromFormat1(plan)) : []).filter(
      (entity) => !isDeepStrictEqual(entity.body, before.get(entityKey(entity))?.body),
    );
    if (changed.length > 0) {
      const writes = changed.map((entity) => ({
        kind: entity.kind,
        id: entity.id,
        seen: before.get(entityKey(entity))?.revision ?? 0,
        entity,
      }));
      await writeAll(connection, writes, before, sequence + 1, `plan format ${FORMAT}`);
    }
    await connection.execute("UPDATE draft_head SET format = ? WHERE id = 1", [FORMAT]);
    return changed.length;
  });
}
