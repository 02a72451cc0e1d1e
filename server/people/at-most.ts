/** Runs work so many at a time; the rest waits its turn. @example const two = atMost(2); await two(() => hash(password)) */
export function atMost(most: number): <T>(work: () => Promise<T>) => Promise<T> {
  let running = 0;
  const waiting: (() => void)[] = [];
  return async (work) => {
    if (running >= most) await new Promise<void>((resolve) => waiting.push(resolve));
    else running += 1;
    try {
      return await work();
    } finally {
      // Whoever waits takes the place as it is.
      const next = waiting.shift();
      if (next) next();
      else running -= 1;
    }
  };
}
