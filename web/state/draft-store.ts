import equal from "fast-deep-equal";
import { asWritten, phrase } from "../../core/phrases/phrase.ts";
import {
  type Change,
  type Entity,
  type EntityKind,
  entityAt,
  entityKey,
  planOf,
  type StoredEntity,
} from "../../core/plan/entities.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { wordsOfKey } from "../../core/schema/key-words.ts";
import type { Problem } from "../../core/schema/problem.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import type { Conflict, SavedChanges } from "../../server/draft/change-set.ts";
import type { Draft } from "../../server/draft/read-draft.ts";
import { say } from "../language/say.ts";
import { afterPaint } from "./after-paint.ts";
import { afterSave, lacksCalendars } from "./after-save.ts";
import { ApiError, api, errorWords } from "./api.ts";
import { EditHistory } from "./edit-history.ts";

/** A change made here, and the revision it was made on; 0 for what was not there. */
type Edit = { change: Change; seen: number };

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
  /** Why the edited plan cannot be compiled, each with what it is about; the last that could stays in `compiled`. */
  planProblems: readonly string[];
  /** Edits the server has not taken yet, the one being dragged or typed included. */
  unsaved: number;
  /** Whether these are kept through a reload: not where the browser has no room left. */
  isKept: boolean;
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
    planProblems: [],
    unsaved: 0,
    isKept: true,
    save: { kind: "saved" },
    conflict: null,
    canUndo: false,
    canRedo: false,
  };
  private readonly listeners = new Set<() => void>();
  private readonly edits = new Map<string, Edit>();
  /** Edits that the server refused, with why: they stay here, and the others go on without them. */
  private readonly held = new Map<string, readonly string[]>();
  /** Seen while typing or dragging; not sent until committed. */
  private preview: Change | null = null;
  /** What was committed so far of work that is one step. */
  private gathered: Change[] | null = null;
  private showing = false;
  private saving = false;
  /** What the plan was last compiled from, by identity. */
  private compiledFrom: readonly unknown[] = [];
  private retry: ReturnType<typeof setTimeout> | undefined;
  private readonly history = new EditHistory();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): DraftState => this.state;

  async load(): Promise<void> {
    try {
      const draft = this.knownAgain(await api.draft());
      const held = this.state.draft;
      if (!held) {
        this.restoreUnsaved(draft);
        this.history.restore();
      }
      // An answer that a later one has overtaken tells nothing new.
      if (draft.sequence >= (held?.sequence ?? 0)) this.take(draft, held);
      this.update({ loadError: null });
      void this.send();
    } catch (error) {
      if (!this.state.draft) this.update({ loadError: messageOf(error) });
    }
  }

  /** Shows an edit everywhere without saving it: the newest of those that come faster than they can be drawn. */
  show(entity: Entity): void {
    this.preview = entity;
    if (this.showing) return;
    this.showing = true;
    afterPaint(() => {
      this.showing = false;
      this.update({});
    });
  }

  /** Drops what was only shown. */
  cancel(): void {
    if (!this.preview) return;
    this.preview = null;
    this.update({});
  }

  /** Keeps changes made together: undone together, and on their way to the server. */
  commit(...changes: Change[]): void {
    if (this.gathered) {
      this.gathered.push(...changes);
      return;
    }
    this.preview = null;
    const after = changes.filter((change) => !same(this.current(change), change.body));
    if (after.length === 0) {
      this.update({});
      return;
    }
    this.history.add({ before: after.map((change) => this.asItIs(change)), after });
    this.keep(after);
  }

  /** Whatever is committed in the course of some work is undone together. @param work what ends before this does */
  asOneStep(work: () => void): void {
    const gathered: Change[] = [];
    this.gathered = gathered;
    try {
      work();
    } finally {
      this.gathered = null;
    }
    this.commit(...gathered);
  }

  undo(): void {
    this.keep(this.history.back());
  }

  redo(): void {
    this.keep(this.history.forward());
  }

  /** Settles a conflict: keep what was written here, or take what is there now. */
  async settle(choice: "mine" | "theirs"): Promise<void> {
    const { conflict } = this.state;
    if (!conflict) return;
    const key = entityKey(conflict);
    const edit = this.edits.get(key);
    if (choice === "theirs") {
      this.edits.delete(key);
      this.history.forget(new Set([key]));
    } else if (edit) {
      this.edits.set(key, { ...edit, seen: conflict.current.revision });
    }
    this.update({ conflict: null, save: { kind: "saved" } });
    await this.load();
  }

  /** Gives up every edit that the server has not taken: the draft is as it is there. */
  takeBack(): void {
    this.edits.clear();
    this.held.clear();
    this.preview = null;
    this.history.clear();
    this.update({ save: { kind: "saved" } });
  }

  /** Tries at once what waits for the server. */
  tryAgain(): void {
    clearTimeout(this.retry);
    void this.send();
  }

  /** Writes a row that cannot be read over: with a text that can, or not at all any more. The server says whether it can. */
  mend({ kind, id, revision }: { kind: EntityKind; id: string; revision: number }, text: string | null): void {
    try {
      const edit: unknown = { change: { kind, id, body: text === null ? null : JSON.parse(text) }, seen: revision };
      if (isEdit(edit)) this.edits.set(entityKey({ kind, id }), edit);
      this.held.clear();
      this.update({});
      void this.send();
    } catch (error) {
      this.update({
        save: { kind: "refused", why: say('{kind} "{id}" is no JSON', { kind, id }), lines: [messageOf(error)] },
      });
    }
  }

  private keep(changes: readonly Change[]): void {
    for (const change of changes) {
      const key = entityKey(change);
      this.held.delete(key);
      this.edits.set(key, { change, seen: this.edits.get(key)?.seen ?? this.stored(change)?.revision ?? 0 });
    }
    this.update({});
    void this.send();
  }

  private stored(entity: { kind: EntityKind; id: string }): StoredEntity | undefined {
    return this.state.draft?.entities.find((candidate) => entityKey(candidate) === entityKey(entity));
  }
  private current(entity: { kind: EntityKind; id: string }): Entity["body"] | null {
    const edit = this.edits.get(entityKey(entity));
    return edit ? edit.change.body : (this.stored(entity)?.body ?? null);
  }
  private asItIs({ kind, id }: Change): Change {
    const stored = this.stored({ kind, id });
    return (
      this.edits.get(entityKey({ kind, id }))?.change ?? (stored ? withoutRevision(stored) : { kind, id, body: null })
    );
  }

  private async send(): Promise<void> {
    const sent = new Map([...this.edits].filter(([key]) => !this.held.has(key)));
    if (this.saving || sent.size === 0 || this.state.conflict) {
      this.tellHeld();
      return;
    }
    this.saving = true;
    clearTimeout(this.retry);
    this.update({ save: { kind: "saving" } });
    try {
      const writes = [...sent.values()].map(({ change: { kind, id, body }, seen }) => ({ kind, id, seen, body }));
      const since = this.state.draft?.sequence;
      const saved = await api.change({ ...(since === undefined ? {} : { since }), writes });
      const revisions = new Map(saved.entities.map((entity) => [entityKey(entity), entity.revision]));
      for (const [key, edit] of sent) {
        const now = this.edits.get(key);
        // Edited again while this save was under way: the newer edit stands on what was just saved.
        if (now && now !== edit) this.edits.set(key, { ...now, seen: revisions.get(key) ?? 0 });
        else this.edits.delete(key);
      }
      this.saving = false;
      this.takeSaved(saved, [...sent.values()]);
      // What was refused may stand on what was saved now.
      this.held.clear();
      void this.send();
    } catch (error) {
      this.saving = false;
      this.saveFailed(error, [...sent.keys()]);
    }
  }

  private tellHeld(): void {
    const lines = [...this.held.values()].flat();
    if (!this.saving && lines.length > 0)
      this.update({ save: { kind: "refused", why: say("The change would break the plan"), lines } });
  }

  /** What the server has after a save: as it answered, unless more than that has been read meanwhile. */
  private takeSaved(saved: SavedChanges, sent: readonly Edit[]): void {
    const held = this.state.draft;
    if (!held || held.sequence >= saved.sequence) {
      this.update({ save: { kind: "saved" } });
      return;
    }
    const written = sent.map(({ change }) => change);
    const draft = afterSave(held, written, saved);
    this.take(draft, held, { kind: "saved" });
    if (lacksCalendars(draft)) void this.load();
  }

  /** A draft as it was read, with what has not changed as the very objects held so far: nobody draws it anew. */
  private knownAgain(read: Draft): Draft {
    const held = this.state.draft;
    if (!held) return read;
    const known = new Map(held.entities.map((entity) => [entityKey(entity), entity]));
    const entities = read.entities.map((entity) => {
      const before = known.get(entityKey(entity));
      return before?.revision === entity.revision ? before : entity;
    });
    return { ...read, entities, calendars: same(held.calendars, read.calendars) ? held.calendars : read.calendars };
  }

  private saveFailed(error: unknown, sent: readonly string[]): void {
    if (!(error instanceof ApiError)) throw error;
    const [conflict] = error.conflicts;
    if (conflict && same(conflict.current.body, conflict.yours)) {
      // An earlier try of this very edit was saved though its answer got lost.
      this.edits.delete(entityKey(conflict));
      this.update({ save: { kind: "saved" } });
      void this.load();
    } else if (conflict) {
      this.update({ conflict, save: { kind: "refused", why: errorWords(error), lines: [] } });
    } else if (error.passing) {
      this.update({ save: { kind: "waiting", why: errorWords(error) } });
      this.retry = setTimeout(() => void this.send(), RETRY_MS);
    } else if (error.status === 422) {
      // Edits that are to blame wait here; where none is named, all that were sent do.
      const blamed = error.problems.flatMap(({ pointer, detail }) => {
        const key = sent[Number(/^#\/writes\/(\d+)/.exec(pointer)?.[1] ?? Number.NaN)];
        return key === undefined ? [] : [{ key, line: `${key}: ${detail}` }];
      });
      const keys = blamed.length > 0 ? blamed.map(({ key }) => key) : sent;
      for (const key of keys)
        this.held.set(
          key,
          blamed.length > 0 ? blamed.flatMap((one) => (one.key === key ? one.line : [])) : error.lines,
        );
      void this.send();
    } else {
      this.update({ save: { kind: "refused", why: errorWords(error), lines: error.lines } });
    }
  }

  /** A draft that was read takes the place of the one held; what others wrote over is not undone from here. */
  private take(draft: Draft, held: Draft | null, save = this.state.save): void {
    this.update({ draft, save });
    if (draft === held) return;
    this.history.forgetOverwritten((change) => alike(this.current(change), change.body));
    this.update({});
  }

  private restoreUnsaved(draft: Draft): void {
    const known = new Set(draft.entities.map(entityKey));
    for (const { change, seen } of readUnsaved()) {
      // What somebody else removed meanwhile stays removed; what is new here is still to be made.
      if (seen === 0 || known.has(entityKey(change))) this.edits.set(entityKey(change), { change, seen });
    }
  }

  private update(change: Partial<DraftState>): void {
    const draft = change.draft ?? this.state.draft;
    const overlay = new Map([...this.edits].map(([key, { change }]) => [key, change]));
    if (this.preview) overlay.set(entityKey(this.preview), this.preview);
    const entities = draft ? overlaid(draft.entities, overlay) : [];
    const from = [draft?.calendars, ...entities.map(({ body }) => body)];
    const asBefore = from.length === this.compiledFrom.length && from.every((one, i) => one === this.compiledFrom[i]);
    this.state = {
      ...this.state,
      ...change,
      // Saving changes nothing about the plan: whoever looks at it is not disturbed.
      ...(asBefore ? {} : this.compiledAnew(planOf(entities), draft)),
      unsaved: overlay.size,
      isKept: writeUnsaved([...this.edits.values()]),
      canUndo: this.history.canUndo,
      canRedo: this.history.canRedo,
    };
    this.compiledFrom = from;
    for (const listener of this.listeners) listener();
  }

  /** Whatever an edit holds, this answers: an edit that was let in must not keep the next from being seen, kept or undone. */
  private compiledAnew(plan: Plan | null, draft: Draft | null): Pick<DraftState, "plan" | "compiled" | "planProblems"> {
    if (!plan || !draft) return { plan, compiled: null, planProblems: [] };
    const { calendars } = draft;
    const result = compiledOrWhy(plan, calendars);
    if ("compiled" in result) return { plan, compiled: result.compiled, planProblems: [] };
    const stored = this.state.compiled ? null : planOf(draft.entities);
    const last = stored ? compiledOrWhy(stored, calendars) : null;
    const compiled = last && "compiled" in last ? last.compiled : this.state.compiled;
    return { plan, compiled, planProblems: [...new Set(result.problems.map((one) => problemWords(plan, one)))] };
  }
}

function compiledOrWhy(plan: Plan, calendars: Draft["calendars"]): ReturnType<typeof compile> {
  try {
    return compile(plan, calendars);
  } catch (error) {
    return { problems: [{ path: "", message: asWritten(messageOf(error)) }] };
  }
}

/** A problem with the name of what it is about. @example "offer “Free post”: 2026-13-45 is no day of the calendar" */
function problemWords(plan: Plan, { path, message }: Problem): string {
  const about = entityAt(plan, path)?.entity;
  if (!about) return say(message);
  const { kind, id, body } = about;
  const name = "name" in body && typeof body.name === "string" ? body.name : id;
  return say("{kind} “{name}”: {message}", { kind: phrase(wordsOfKey(kind)), name, message });
}

/** What is stored, with the changes in place. */
function overlaid(stored: readonly Entity[], changes: ReadonlyMap<string, Change>): Entity[] {
  const entities = new Map<string, Entity>(stored.map((entity) => [entityKey(entity), entity]));
  for (const [key, change] of changes) {
    if (change.body === null) entities.delete(key);
    else entities.set(key, change);
  }
  return [...entities.values()];
}

function withoutRevision({ revision: _, ...entity }: StoredEntity): Entity {
  return entity;
}

/** The same also where the server has written its parts in another order. */
const alike = (a: unknown, b: unknown) => same(a, b) || equal(a, b);

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

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
  if (typeof value !== "object" || value === null || !("change" in value) || !("seen" in value)) return false;
  const { change } = value;
  return typeof change === "object" && change !== null && "kind" in change && "id" in change && "body" in change;
}

/** Keeps edits in this browser. @returns whether there was room for them */
function writeUnsaved(edits: readonly Edit[]): boolean {
  try {
    const text = edits.length === 0 ? null : JSON.stringify(edits);
    // Writing takes milliseconds, and most updates change no edit.
    if (localStorage.getItem(UNSAVED_KEY) === text) return true;
    if (text === null) localStorage.removeItem(UNSAVED_KEY);
    else localStorage.setItem(UNSAVED_KEY, text);
    return true;
  } catch {
    localStorage.removeItem(UNSAVED_KEY);
    return false;
  }
}

const messageOf = (error: unknown) => (error instanceof Error ? error.message : String(error));
