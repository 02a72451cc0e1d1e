import { fork } from "node:child_process";
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { setPriority, tmpdir } from "node:os";
import { join } from "node:path";
import { keepRunning } from "./keep-running.ts";

/** It gives way to quotes where both want the same core. */
const NICENESS = 15;

/**
 * The desk: a process of its own for everything marketers do, with the framework in it, so that a large file, a check or a whole
 * plan never holds what shops ask. It ends with its parent, and is started again when it ends by itself.
 *
 * @param program the desk's program: see `server/desk.ts`
 * @param onGivenUp called when it cannot be kept running
 * @returns the socket that it listens on, in a folder of this app's own
 */
export function openDesk(
  program: string,
  onGivenUp: () => void,
): { readonly socketPath: string; readonly folder: string; close: () => void } {
  clearAway();
  const folder = mkdtempSync(join(tmpdir(), `summant-${process.pid}-`));
  const socketPath = join(folder, "desk.sock");
  const start = () => {
    const desk = fork(program, [socketPath], {
      execArgv: [],
      stdio: ["ignore", "inherit", "inherit", "ipc"],
      // A session of its own: Linux shares the processor out to sessions first, and what the desk had would be taken off what quotes get.
      detached: true,
    });
    if (desk.pid !== undefined) giveWay(desk.pid);
    return desk;
  };
  const desk = keepRunning("The desk", start, onGivenUp);
  return {
    socketPath,
    folder,
    close: () => {
      desk.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

function giveWay(pid: number): void {
  setPriority(pid, NICENESS);
  try {
    writeFileSync(`/proc/${pid}/autogroup`, String(NICENESS));
  } catch {
    // Where the processor is not shared out by session.
  }
}

/** A process that was killed leaves its folder behind. */
function clearAway(): void {
  for (const name of readdirSync(tmpdir())) {
    const pid = /^summant-(\d+)-/.exec(name)?.[1];
    if (pid === undefined || isRunning(Number(pid))) continue;
    try {
      rmSync(join(tmpdir(), name), { recursive: true, force: true });
    } catch {
      // Another user's: theirs to clear away.
    }
  }
}

function isRunning(pid: number): boolean {
  try {
    // Asks only: no signal is sent.
    return process.kill(pid, 0);
  } catch (error) {
    return error instanceof Error && "code" in error && error.code === "EPERM";
  }
}
