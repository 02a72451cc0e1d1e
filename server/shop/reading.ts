import { soonerThan } from "../database/deadline.ts";
import { isUnreachable } from "../database/pool.ts";

/** Younger than this, in milliseconds, what was read is taken as it is. */
const FRESH = 200;
/** Up to this age it is still taken, while it is read anew. */
const USABLE = 1000;
/** Past that, how long is waited in all for it to be read anew before the last known is taken. */
const PATIENCE = 150;
/** The same once it is known to have changed: what was before is taken only where the database is as good as away. */
const PATIENCE_CHANGED = 2000;
/** While the database is away, how long the last known is taken before it is tried again. */
const RETRY = 200;
/** How long the very first reading may take. */
const FIRST = 5000;

type Known<T> = { readonly value: T; readonly at: number; readonly until: number; readonly hasChanged: boolean };

/**
 * Something of the database that every quote goes by, kept for a moment: it is read at most a few times a second however
 * many ask, it is never more than a second old while the database answers, and while it does not, the last known is taken.
 *
 * @example const uses = new Reading(() => usesOf(pool)); await uses.now(); // then, once something was claimed here: uses.forget()
 */
export class Reading<T> {
  private known: Known<T> | undefined;
  private underWay: { readonly since: number; readonly read: Promise<Known<T>> } | undefined;
  private turn = 0;
  private readonly read: () => Promise<T>;
  private readonly goodFor: (value: T) => number;

  /** @param goodFor milliseconds for which a value can hold at most */
  constructor(read: () => Promise<T>, goodFor: (value: T) => number = () => Number.POSITIVE_INFINITY) {
    this.read = read;
    this.goodFor = goodFor;
  }

  /** What is known now. @throws what the reading threw, when nothing was known before or it was no matter of reaching the database */
  async now(): Promise<T> {
    const { known } = this;
    const now = performance.now();
    if (!known || now >= known.until) return (await this.readAnew(known)).value;
    // Whoever waits for it is told of a failure; this one does not wait.
    if (now - known.at >= FRESH) this.reading().read.catch(() => undefined);
    return known.value;
  }

  /** Milliseconds since what is known was read; Infinity before it has been. */
  age(): number {
    return this.known ? performance.now() - this.known.at : Number.POSITIVE_INFINITY;
  }

  /** It has changed: whoever asks from now on waits for it to be read. What was being read may be older. */
  forget(): void {
    this.turn += 1;
    this.underWay = undefined;
    if (this.known) this.known = { ...this.known, until: 0, hasChanged: true };
  }

  private async readAnew(known: Known<T> | undefined): Promise<Known<T>> {
    const { since, read } = this.reading();
    if (!known) return soonerThan(read, FIRST);
    const patience = known.hasChanged ? PATIENCE_CHANGED : PATIENCE;
    try {
      return await soonerThan(read, Math.max(0, since + patience - performance.now()));
    } catch (error) {
      if (!isUnreachable(error)) throw error;
      if (this.known === known) this.known = { ...known, until: performance.now() + RETRY };
      return known;
    }
  }

  /** The reading under way, begun now where there is none. */
  private reading(): { readonly since: number; readonly read: Promise<Known<T>> } {
    this.underWay ??= { since: performance.now(), read: this.started(this.turn) };
    return this.underWay;
  }

  private async started(turn: number): Promise<Known<T>> {
    const at = performance.now();
    try {
      const value = await this.read();
      const read = { value, at, until: at + Math.min(USABLE, this.goodFor(value)), hasChanged: false };
      if (turn === this.turn) this.known = read;
      // What has changed while it was read for the first time is still what is known, until it is asked for again.
      else this.known ??= { ...read, until: 0, hasChanged: true };
      return read;
    } finally {
      if (turn === this.turn) this.underWay = undefined;
    }
  }
}
