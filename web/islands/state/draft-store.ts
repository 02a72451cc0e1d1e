import { type CompiledPlan, compile } from "../../../core/plan/compile.ts";
import { type Entity, entityKey, planOf, type StoredEntity } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { Conflict } from "../../../server/draft/change-set.ts";
import type { Draft } from "../../../server/draft/read-draft.ts";
import { ApiError, api } from "./api.ts";

/** An entity as edited here, and the revision the edit was made on. */
type Edit = { entity: Entity; seen: number };

type SaveState =
  | { kind: "saved" }
  | { kind: "saving" }
  | { kind: "waiting"; why: string }
  | { kind: "refused"; why: string; lines: string[] };

export type DraftState = {
  draft: Draft | null;
  /** Why there is no draft, when loading failed. */
  loadError: string | null;
  /** The plan with every edit in it, saved or not. */
  plan: Plan | null;
  compiled: CompiledPlan | null;
  /** Why the edited plan cannot be compiled; the last that could stays in `compiled`. */
  planProblem: string | null;
  /** Edits the server has not taken yet, the one being dragged or typed included. */
  unsaved: number;
  save: SaveState;
  conflict: Conflict | null;
  canUndo: boolean;
  canRedo: boolean;
};

const UNSAVED_KEY = "summant.unsaved";
const RETRY_MS = 2000;

/**
 * The draft in the browser: what the server has, edits on top, and their way to the server. One save is under way at a
 * time and takes everything that waits. Edits not saved yet survive a reload.
 */
export class DraftStore {
  private state: DraftState = {
    draft: null,
    loadError: null,
    plan: null,
    compiled: null,
    planProblem: null,
    unsaved: 0,
    save: { kind: "saved" },
    conflict: null,
    canUndo: false,
    canRedo: false,
  };
  private readonly listeners = new Set<() => void>();
  private readonly edits = new Map<string, Edit>();
  /** Seen while typing or dragging; not sent until committed. */
  private preview: Edit | null = null;
  private saving = false;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private undoable: { before: Entity; after: Entity }[] = [];
  private redoable: { before: Entity; after: Entity }[] = [];

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): DraftState => this.state;

  async load(): Promise<void> {
    try {
      const draft = await api.draft();
      if (!this.state.draft) this.restoreUnsaved(draft);
      this.update({ draft, loadError: null });
      void this.send();
    } catch (error) {
      if (!this.state.draft) this.update({ loadError: messageOf(error) });
    }
  }

  /** Shows an edit everywhere without saving it. */
  show(entity: Entity): void {
    this.preview = { entity, seen: this.seenOf(entity) };
    this.update({});
  }

  /** Drops what was only shown. */
  cancel(): void {
    if (!this.preview) return;
    this.preview = null;
    this.update({});
  }

  /** Keeps an edit: undoable, and on its way to the server. */
  commit(entity: Entity): void {
    this.preview = null;
    const before = this.current(entity);
    if (before && JSON.stringify(before.body) === JSON.stringify(entity.body)) {
      this.update({});
      return;
    }
    if (before) this.undoable.push({ before, after: entity });
    this.redoable = [];
    this.keep(entity);
  }

  undo(): void {
    const step = this.undoable.pop();
    if (!step) return;
    this.redoable.push(step);
    this.keep(step.before);
  }

  redo(): void {
    const step = this.redoable.pop();
    if (!step) return;
    this.undoable.push(step);
    this.keep(step.after);
  }

  /** Settles a conflict: keep what was written here, or take what is there now. */
  async settle(choice: "mine" | "theirs"): Promise<void> {
    const { conflict } = this.state;
    if (!conflict) return;
    const key = entityKey(conflict);
    const edit = this.edits.get(key);
    if (choice === "theirs") {
      this.edits.delete(key);
      this.undoable = this.undoable.filter(({ after }) => entityKey(after) !== key);
      this.redoable = this.redoable.filter(({ after }) => entityKey(after) !== key);
    } else if (edit) {
      this.edits.set(key, { ...edit, seen: conflict.current.revision });
    }
    this.update({ conflict: null, save: { kind: "saved" } });
    await this.load();
  }

  /** Tries at once what waits for the server. */
  tryAgain(): void {
    clearTimeout(this.retry);
    void this.send();
  }

  private keep(entity: Entity): void {
    const key = entityKey(entity);
    this.edits.set(key, { entity, seen: this.edits.get(key)?.seen ?? this.seenOf(entity) });
    this.update({});
    void this.send();
  }

  private stored(entity: { kind: Entity["kind"]; id: string }): StoredEntity | undefined {
    return this.state.draft?.entities.find((candidate) => entityKey(candidate) === entityKey(entity));
  }
  private seenOf(entity: Entity): number {
    return this.stored(entity)?.revision ?? 0;
  }
  private current(entity: Entity): Entity | undefined {
    return this.edits.get(entityKey(entity))?.entity ?? this.stored(entity);
  }

  private async send(): Promise<void> {
    if (this.saving || this.edits.size === 0 || this.state.conflict) return;
    this.saving = true;
    clearTimeout(this.retry);
    const sent = new Map(this.edits);
    this.update({ save: { kind: "saving" } });
    try {
      const writes = [...sent.values()].map(({ entity: { kind, id, body }, seen }) => ({ kind, id, seen, body }));
      const { entities } = await api.change({ writes });
      for (const saved of entities) {
        const key = entityKey(saved);
        const now = this.edits.get(key);
        // Edited again while this save was under way: the newer edit stands on what was just saved.
        if (now && now !== sent.get(key)) this.edits.set(key, { ...now, seen: saved.revision });
        else this.edits.delete(key);
      }
      const draft = await api.draft();
      this.saving = false;
      this.update({ draft, save: { kind: "saved" } });
      void this.send();
    } catch (error) {
      this.saving = false;
      this.saveFailed(error);
    }
  }

  private saveFailed(error: unknown): void {
    if (!(error instanceof ApiError)) throw error;
    const [conflict] = error.conflicts;
    if (conflict && JSON.stringify(conflict.current.body) === JSON.stringify(conflict.yours)) {
      // An earlier try of this very edit was saved though its answer got lost.
      this.edits.delete(entityKey(conflict));
      this.update({ save: { kind: "saved" } });
      void this.load();
    } else if (conflict) {
      this.update({ conflict, save: { kind: "refused", why: error.message, lines: [] } });
    } else if (error.passing) {
      this.update({ save: { kind: "waiting", why: error.message } });
      this.retry = setTimeout(() => void this.send(), RETRY_MS);
    } else {
      this.update({ save: { kind: "refused", why: error.message, lines: error.lines } });
    }
  }

  private restoreUnsaved(draft: Draft): void {
    const known = new Set(draft.entities.map(entityKey));
    for (const { entity, seen } of readUnsaved()) {
      if (known.has(entityKey(entity))) this.edits.set(entityKey(entity), { entity, seen });
    }
  }

  private update(change: Partial<DraftState>): void {
    const draft = change.draft ?? this.state.draft;
    const overlay = new Map([...this.edits].map(([key, { entity }]) => [key, entity]));
    if (this.preview) overlay.set(entityKey(this.preview.entity), this.preview.entity);
    const plan = draft && planOf(draft.entities.map((stored) => overlay.get(entityKey(stored)) ?? stored));
    const result = plan && compile(plan, draft?.calendars);
    const failed = result && "problems" in result;
    this.state = {
      ...this.state,
      ...change,
      plan,
      compiled: failed ? this.state.compiled : (result?.compiled ?? null),
      planProblem: failed ? result.problems.map(({ message }) => message).join("; ") : null,
      unsaved: overlay.size,
      canUndo: this.undoable.length > 0,
      canRedo: this.redoable.length > 0,
    };
    writeUnsaved([...this.edits.values()]);
    for (const listener of this.listeners) listener();
  }
}

function readUnsaved(): Edit[] {
  try {
    const edits: unknown = JSON.parse(localStorage.getItem(UNSAVED_KEY) ?? "[]");
    return Array.isArray(edits) ? edits.filter(isEdit) : [];
  } catch {
    return [];
  }
}

/** The server checks bodies again; this only keeps foreign data out of the store. */
function isEdit(value: unknown): value is Edit {
  if (typeof value !== "object" || value === null || !("entity" in value) || !("seen" in value)) return false;
  const { entity } = value;
  return typeof entity === "object" && entity !== null && "kind" in entity && "id" in entity && "body" in entity;
}

function writeUnsaved(edits: readonly Edit[]): void {
  if (edits.length === 0) localStorage.removeItem(UNSAVED_KEY);
  else localStorage.setItem(UNSAVED_KEY, JSON.stringify(edits));
}

const messageOf = (error: unknown) => (error instanceof Error ? error.message : String(error));
