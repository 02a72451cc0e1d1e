import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { SetupError, say } from "./say.mjs";

const PATIENCE_MS = 10_000;

/** A process as it can be told from a later one of the same number; null when there is none. */
function processOf(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, "utf8");
    // Behind the name, which may hold anything: the state is the first, when it began the twentieth.
    const [state, ...rest] = stat.slice(stat.lastIndexOf(")") + 2).split(" ");
    return state === "Z" ? null : { pid, began: rest[18] };
  } catch {
    return null;
  }
}

const isAlive = (known) => known !== undefined && processOf(known.pid)?.began === known.began;

function readKept(file) {
  try {
    return JSON.parse(readFileSync(file, "utf8"));
  } catch {
    return {};
  }
}

/**
 * Makes sure that one start at a time uses a folder for its data. One that was killed is found: what it left running is ended.
 *
 * @returns the address of the start that is running already; else how to say what this one runs, and that it has ended
 */
export async function takeFolder(folder) {
  const file = join(folder, "running.json");
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    for (;;) {
      try {
        writeFileSync(file, JSON.stringify({ starter: processOf(process.pid) }), { flag: "wx", mode: 0o600 });
        break;
      } catch (error) {
        if (error.code !== "EEXIST") throw error;
      }
      const kept = readKept(file);
      if (isAlive(kept.starter)) return { running: { pid: kept.starter.pid, address: kept.address } };
      if (isAlive(kept.app)) await endLeftOver(kept.app);
      rmSync(file, { force: true });
    }
  } catch (error) {
    if (error instanceof SetupError) throw error;
    throw new SetupError(
      `${folder} cannot be written (${error.code}): let this user write there, or set SUMMANT_DATA.`,
    );
  }
  return {
    runs: (app, where = {}) =>
      writeFileSync(file, JSON.stringify({ starter: processOf(process.pid), app: processOf(app), ...where })),
    release: () => {
      if (existsSync(file)) rmSync(file, { force: true });
    },
  };
}

async function endLeftOver(app) {
  say("Stopping the app that an earlier start left running");
  process.kill(app.pid, "SIGTERM");
  for (const deadline = Date.now() + PATIENCE_MS; isAlive(app); ) {
    if (Date.now() > deadline) process.kill(app.pid, "SIGKILL");
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
