import { setTimeout as pause } from "node:timers/promises";

/**
 * What was asked of the database, or an error once it has taken so long that it is as good as unreachable. What was asked goes
 * on; nobody hears of it.
 *
 * @throws an error that `isUnreachable` knows, after `ms` milliseconds
 */
export async function soonerThan<T>(work: Promise<T>, ms: number): Promise<T> {
  const stop = new AbortController();
  const late = pause(ms, undefined, { signal: stop.signal }).then(() => {
    throw Object.assign(new Error(`the database has not answered within ${ms} ms`), { code: "ETIMEDOUT" });
  });
  late.catch(() => undefined);
  work.catch(() => undefined);
  try {
    return await Promise.race([work, late]);
  } finally {
    stop.abort();
  }
}
