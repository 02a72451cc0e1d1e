import type { Pool, RowDataPacket } from "mysql2/promise";
import { soonerThan } from "../database/deadline.ts";
import { isUnreachable } from "../database/pool.ts";
import type { LiveKey } from "./keys.ts";

/** A part of a second's calls that this process may answer without asking anybody; whether there is another after it. */
type Part = { left: number; readonly ends: number; readonly isLast: boolean };
/** Into so many parts a second's calls are divided: each asks the database once. */
const PARTS = 10;

/** Milliseconds that a call waits for the database; past them it is as good as away. */
const PATIENCE = 500;
/** So many more pass before it is asked again. */
const RETRY = 5000;

interface TakenRow extends RowDataPacket {
  taken: number;
  rest: number;
}

/**
 * Counts a key's calls by the second, over all processes: each takes a part of what the key may have in the database's second,
 * and answers so many. What it does not use of a part is lost, so that together they never answer more.
 *
 * While the database does not answer, a process gives what the key may have by itself.
 */
export class Allowance {
  private readonly pool: Pool;
  private readonly parts = new Map<number, Part>();
  /** Until then the database is not asked: it did not answer a moment ago. */
  private awayUntil = 0;
  private readonly asking = new Map<number, Promise<Part>>();

  constructor(pool: Pool) {
    this.pool = pool;
  }

  /** Takes one call. @returns milliseconds to wait where there is none left in this second; 0 when it may be answered */
  async take(key: LiveKey): Promise<number> {
    for (;;) {
      const part = this.parts.get(key.number);
      const now = performance.now();
      if (part && now < part.ends) {
        if (part.left > 0) {
          part.left -= 1;
          return 0;
        }
        if (part.isLast) return Math.max(1, part.ends - now);
      }
      this.parts.set(key.number, await this.ask(key));
    }
  }

  /** Many who ask at once wait for one answer. */
  private ask(key: LiveKey): Promise<Part> {
    const known = this.asking.get(key.number);
    if (known) return known;
    const asked = this.partOf(key).finally(() => this.asking.delete(key.number));
    this.asking.set(key.number, asked);
    return asked;
  }

  /** A part of what is left of the database's second, which may be nothing. */
  private async partOf({ number, aSecond }: LiveKey): Promise<Part> {
    const size = Math.ceil(aSecond / PARTS);
    const asked = performance.now();
    if (asked < this.awayUntil) return { left: aSecond, ends: asked + 1000, isLast: true };
    try {
      // What is taken goes on past what may be had: how far tells each what is left for it. Assignments are made one after the other.
      const asking = this.pool.execute<TakenRow[]>(
        `INSERT INTO shop_key_seconds (number, second, taken) VALUES (?, FLOOR(UNIX_TIMESTAMP(NOW(6))), ?)
         ON DUPLICATE KEY UPDATE
           taken = IF(second < VALUES(second), VALUES(taken), taken + VALUES(taken)), second = GREATEST(second, VALUES(second))
         RETURNING taken, 1 - MOD(UNIX_TIMESTAMP(NOW(6)), 1) AS rest`,
        [number, size],
      );
      const [[row]] = await soonerThan(asking, PATIENCE);
      const { taken = 0, rest = 1 } = row ?? {};
      const left = Math.min(size, aSecond - (Number(taken) - size));
      return { left: Math.max(0, left), ends: asked + Number(rest) * 1000, isLast: left < size };
    } catch (error) {
      if (!isUnreachable(error)) throw error;
      this.awayUntil = performance.now() + RETRY;
      return { left: aSecond, ends: performance.now() + 1000, isLast: true };
    }
  }
}
