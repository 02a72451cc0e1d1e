/** So many go on together at most: with more, those who are answered first would wait for the last. */
const MOST = 16;

type Batch = { waiting: number; readonly begins: Promise<void> };
let open: Batch | undefined;

/**
 * Waits until everything that has come in by now has been taken in. What follows, each {@link step} by itself, is done for one request
 * after the other: what a step needs is still in the processor's caches, which takes a third less time than whole requests in turn.
 */
export function allHaveCome(): Promise<void> {
  if (!open || open.waiting >= MOST) {
    const batch: Batch = {
      waiting: 0,
      begins: new Promise((resolve) => {
        setImmediate(() => {
          if (open === batch) open = undefined;
          resolve();
        });
      }),
    };
    open = batch;
  }
  open.waiting += 1;
  return open.begins;
}

/** Lets the others who have come as far do their step first. */
export const step = (): Promise<void> => Promise.resolve();
