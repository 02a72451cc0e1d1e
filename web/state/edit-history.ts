import { type Change, type EntityKind, entityKey, entityKinds } from "../../core/plan/entities.ts";

/** What was there before some changes that were made together, and what they made of it. */
type Step = { readonly before: readonly Change[]; readonly after: readonly Change[] };

const KEY = "summant.history";
/** More than anybody goes back; what is older is forgotten first. */
const MOST_STEPS = 200;

/**
 * What can be undone and redone. It lives through reloads of its tab; another tab has its own, so that none undoes what
 * was done in the other.
 */
export class EditHistory {
  private done: readonly Step[] = [];
  private undone: readonly Step[] = [];

  get canUndo(): boolean {
    return this.done.length > 0;
  }
  get canRedo(): boolean {
    return this.undone.length > 0;
  }

  add(step: Step): void {
    this.keep([...this.done, step].slice(-MOST_STEPS), []);
  }

  /** The changes that take the newest step back; none when nothing was done. */
  back(): readonly Change[] {
    const step = this.done.at(-1);
    if (!step) return [];
    this.keep(this.done.slice(0, -1), [...this.undone, step]);
    return step.before;
  }

  /** The changes that make the step taken back last again; none when there is none. */
  forward(): readonly Change[] {
    const step = this.undone.at(-1);
    if (!step) return [];
    this.keep([...this.done, step], this.undone.slice(0, -1));
    return step.after;
  }

  /** Forgets every step that touches one of these entities. @param keys as `entityKey` makes them */
  forget(keys: ReadonlySet<string>): void {
    const apart = ({ after }: Step) => after.every((change) => !keys.has(entityKey(change)));
    const [done, undone] = [this.done.filter(apart), this.undone.filter(apart)];
    if (done.length < this.done.length || undone.length < this.undone.length) this.keep(done, undone);
  }

  /**
   * Forgets what somebody else has written over since: undoing it would undo their work.
   *
   * @param stands whether an entity is what a change made of it
   */
  forgetOverwritten(stands: (change: Change) => boolean): void {
    const seen = new Set<string>();
    const gone = new Set<string>();
    const look = (change: Change) => {
      const key = entityKey(change);
      if (!seen.has(key) && !stands(change)) gone.add(key);
      seen.add(key);
    };
    // The newest step that touched an entity left it as it should be now; where it is undone, as it was before.
    for (const { before } of this.undone.toReversed()) before.forEach(look);
    for (const { after } of this.done.toReversed()) after.forEach(look);
    this.forget(gone);
  }

  clear(): void {
    this.keep([], []);
  }

  /** Takes up what this tab had before a reload. */
  restore(): void {
    try {
      const kept: unknown = JSON.parse(sessionStorage.getItem(KEY) ?? "null");
      if (typeof kept !== "object" || kept === null || !("done" in kept) || !("undone" in kept)) return;
      this.done = stepsIn(kept.done);
      this.undone = stepsIn(kept.undone);
    } catch {
      // What cannot be read is as good as nothing done.
    }
  }

  private keep(done: readonly Step[], undone: readonly Step[]): void {
    this.done = done;
    this.undone = undone;
    store(done, undone);
  }
}

/** Keeps as many steps as there is room for, the newest first. */
function store(done: readonly Step[], undone: readonly Step[]): void {
  for (let kept = done; ; kept = kept.slice(Math.ceil(kept.length / 2))) {
    try {
      sessionStorage.setItem(KEY, JSON.stringify({ done: kept, undone }));
      return;
    } catch {
      sessionStorage.removeItem(KEY);
      if (kept.length === 0) return;
    }
  }
}

const stepsIn = (value: unknown): Step[] => (Array.isArray(value) ? value.filter(isStep) : []);

function isStep(value: unknown): value is Step {
  if (typeof value !== "object" || value === null || !("before" in value) || !("after" in value)) return false;
  return [value.before, value.after].every((changes) => Array.isArray(changes) && changes.every(isChange));
}

/** Bodies are checked with the plan they end up in. */
function isChange(value: unknown): value is Change {
  if (typeof value !== "object" || value === null || !("kind" in value) || !("id" in value) || !("body" in value))
    return false;
  return entityKinds().some((kind: EntityKind) => kind === value.kind) && typeof value.id === "string";
}
