import type { ChildProcess } from "node:child_process";

/** Ended within this many milliseconds so many times in a row, it is not started again. */
const AT_ONCE = 3000;
const MOST_STARTS = 5;
const PAUSE = 200;

/**
 * Keeps a process running: it is started again when it ends by itself.
 *
 * @param what how it is called where that is said
 * @param onGivenUp called when it cannot be kept running
 * @example const desk = keepRunning("The desk", () => fork("desk.mjs"), () => process.exit(1)); // desk.stop()
 */
export function keepRunning(what: string, start: () => ChildProcess, onGivenUp: () => void): { stop: () => void } {
  let stopped = false;
  let inARow = 0;
  let running: ChildProcess | undefined;
  const again = () => {
    if (stopped) return;
    const began = performance.now();
    running = start();
    running.once("exit", (code, signal) => {
      if (stopped) return;
      console.error(`${what} ended by itself (${signal ?? code}); it is started again.`);
      inARow = performance.now() - began < AT_ONCE ? inARow + 1 : 0;
      if (inARow < MOST_STARTS) setTimeout(again, PAUSE);
      else onGivenUp();
    });
  };
  again();
  return {
    stop: () => {
      stopped = true;
      running?.kill();
    },
  };
}
