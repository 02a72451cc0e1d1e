import type { Connection, Pool, RowDataPacket } from "mysql2/promise";
import { phrase } from "../../core/phrases/phrase.ts";
import { type Entity, type EntityKind, STORE_ID, type StoredEntity } from "../../core/plan/entities.ts";
import type { Problem } from "../../core/schema/problem.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { checkEntity } from "../../core/validation/documents.ts";
import { readJson } from "../validation/read-json.ts";

/** Checks an entity's body by the schema of its kind, and that the body carries the entity's id. */
export function checkedEntity(kind: EntityKind, id: string, body: unknown): Checked<Entity> {
  switch (kind) {
    case "store":
      return entityFrom(
        checkEntity.store(body),
        id,
        () => STORE_ID,
        (value) => ({ kind, id, body: value }),
      );
    case "market":
      return entityFrom(checkEntity.market(body), id, idOf, (value) => ({ kind, id, body: value }));
    case "zone":
      return entityFrom(checkEntity.zone(body), id, idOf, (value) => ({ kind, id, body: value }));
    case "option":
      return entityFrom(checkEntity.option(body), id, idOf, (value) => ({ kind, id, body: value }));
    case "offer":
      return entityFrom(checkEntity.offer(body), id, idOf, (value) => ({ kind, id, body: value }));
    case "location":
      return entityFrom(checkEntity.location(body), id, idOf, (value) => ({ kind, id, body: value }));
    case "rates":
      return entityFrom(checkEntity.rates(body), id, idOf, (value) => ({ kind, id, body: value }));
    case "notice":
      return entityFrom(checkEntity.notice(body), id, idOf, (value) => ({ kind, id, body: value }));
    case "condition":
      return entityFrom(checkEntity.condition(body), id, idOf, (value) => ({ kind, id, body: value }));
  }
}

const idOf = (body: { id: string }) => body.id;

function entityFrom<Body>(
  checked: Checked<Body>,
  id: string,
  bodyId: (body: Body) => string,
  make: (body: Body) => Entity,
): Checked<Entity> {
  if ("problems" in checked) return checked;
  return bodyId(checked.value) === id
    ? { value: make(checked.value) }
    : { problems: [{ path: "/id", message: phrase('must be "{id}", the id of the entity', { id }) }] };
}

interface EntityRow extends RowDataPacket {
  kind: EntityKind;
  id: string;
  body: string;
  revision: number;
}

/** A row that does not fit its schema any more, or never should have got in: shown as it is, to be mended or removed. */
export type UnreadableEntity = { kind: EntityKind; id: string; revision: number; text: string; problems: Problem[] };

/** All entities of the draft in a fixed order, and what cannot be read as one. */
export async function readEntities(
  connection: Pool | Connection,
): Promise<{ entities: StoredEntity[]; unreadable: UnreadableEntity[] }> {
  const [rows] = await connection.query<EntityRow[]>(
    "SELECT kind, id, body, revision FROM draft_entities ORDER BY kind, position, id",
  );
  const entities: StoredEntity[] = [];
  const unreadable: UnreadableEntity[] = [];
  for (const { kind, id, body, revision } of rows) {
    const json = readJson(body);
    const checked = "problems" in json ? json : checkedEntity(kind, id, json.value);
    if ("problems" in checked) unreadable.push({ kind, id, revision, text: body, problems: checked.problems });
    else entities.push({ ...checked.value, revision });
  }
  return { entities, unreadable };
}
