/**
 * What was asked of the database, or an error once it has taken so long that it is as good as unreachable. What was asked goes
 * on; nobody hears of it.
 *
 * @throws an error that `isUnreachable` knows, after `ms` milliseconds
 */
export async function soonerThan<T>(work: Promise<T>, ms: number): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    const error = Object.assign(new Error(`the database has not answered within ${ms} ms`), { code: "ETIMEDOUT" });
    timer = setTimeout(() => reject(error), ms);
  });
  work.catch(() => undefined);
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}
