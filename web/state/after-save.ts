import equal from "fast-deep-equal";
import { type Change, type EntityKind, entityKey, type StoredEntity } from "../../core/plan/entities.ts";
import type { SavedChanges } from "../../server/draft/change-set.ts";
import type { Draft, DraftChange } from "../../server/draft/read-draft.ts";

/**
 * The draft as it is after a save, from the draft before it and the server's answer: nothing has to be read again.
 *
 * @param written what was sent; where it was saved as it is, it stays the very object, and nobody draws it anew
 */
export function afterSave(
  held: Draft,
  written: readonly Change[],
  { sequence, entities, removed }: SavedChanges,
): Draft {
  const sent = new Map(written.map((change) => [entityKey(change), change]));
  const now = new Map(held.entities.map((entity) => [entityKey(entity), entity]));
  for (const gone of removed) now.delete(entityKey(gone));
  for (const saved of entities) now.set(entityKey(saved), asWritten(saved, sent.get(entityKey(saved))));
  const touched = [...entities, ...removed];
  const keys = new Set(touched.map(entityKey));
  return {
    ...held,
    sequence,
    entities: [...now.values()].sort(asStored),
    unreadable: held.unreadable.filter((one) => !keys.has(entityKey(one))),
    changes: changesAfter(held, touched, now),
    // Whether one says the same again is known when the draft is read the next time.
    waiting: held.waiting.map((one) => ({ ...one, isDraft: false })),
  };
}

/** Whether the plan keeps public holidays that were not read with the draft. */
export const lacksCalendars = ({ entities, calendars }: Draft): boolean =>
  entities.some(
    ({ kind, body }) => kind === "location" && body.holidays !== undefined && calendars[body.holidays] === undefined,
  );

function asWritten(saved: StoredEntity, sent: Change | undefined): StoredEntity {
  return sent?.body && equal(sent.body, saved.body) ? { ...sent, revision: saved.revision } : saved;
}

/** The order in which the server reads a draft. */
export function asStored(a: StoredEntity, b: StoredEntity): number {
  const position = ({ body }: StoredEntity) => ("position" in body ? body.position : 0);
  const byText = (one: string, other: string) => (one < other ? -1 : one > other ? 1 : 0);
  return byText(a.kind, b.kind) || position(a) - position(b) || byText(a.id, b.id);
}

/** What differs from the release: known before, but for what was touched now. */
function changesAfter(
  held: Draft,
  touched: readonly { kind: EntityKind; id: string }[],
  now: ReadonlyMap<string, StoredEntity>,
): DraftChange[] {
  const changes = new Map(held.changes.map((change) => [entityKey(change), change]));
  const before = new Map(held.entities.map((entity) => [entityKey(entity), entity]));
  for (const { kind, id } of touched) {
    const key = entityKey({ kind, id });
    const known = changes.get(key);
    // What did not differ was as it was released.
    const released = known ? known.released : plain(before.get(key));
    const draft = plain(now.get(key));
    if (equal(released?.body, draft?.body)) changes.delete(key);
    else changes.set(key, { kind, id, released, draft });
  }
  return [...changes.values()];
}

function plain(stored: StoredEntity | undefined): DraftChange["draft"] {
  if (!stored) return null;
  const { revision: _, ...entity } = stored;
  return entity;
}
