import { spawn, spawnSync } from "node:child_process";
import { join } from "node:path";
import { SetupError } from "./say.mjs";

const WAIT_MS = 30_000;

// Room for what requests leave behind: with less of it, all of the memory is gone through every two to three seconds, and whoever
// asks just then waits ten times as long.
const ROOM = ["--initial-old-space-size=256", "--min-semi-space-size=16"];

const FIRST_LINK = /^First link: (\S+)\n/m;

/**
 * Brings the database up to date and loads the demo when it is empty, or in its place with `resetDemo`; with its past orders where
 * `history` is asked for. As it was built, or `fromSources`, which takes three times as long.
 *
 * @returns what a link that signs in once ends with, while nobody who runs the store has a password; else null
 */
export function prepareDatabase(root, url, { resetDemo = false, history = false, fromSources = false } = {}) {
  const { status, stdout } = spawnSync(
    process.execPath,
    [
      ...(fromSources ? ["--import", "tsx", "server/prepare-database.ts"] : ["dist/server/prepare-database.mjs"]),
      ...(resetDemo ? ["--reset-demo"] : []),
      ...(history ? ["--with-history"] : []),
    ],
    {
      cwd: root,
      stdio: ["ignore", "pipe", "inherit"],
      encoding: "utf8",
      env: { ...process.env, SUMMANT_DATABASE_URL: url },
    },
  );
  process.stdout.write(stdout.replace(FIRST_LINK, ""));
  if (status !== 0) throw new SetupError("The database could not be prepared; see above.");
  return FIRST_LINK.exec(stdout)?.[1] ?? null;
}

/**
 * Starts the built app on 127.0.0.1 and waits until it answers. It ends with this process.
 *
 * @param onSpawn told its process before it answers
 */
export async function startApp(root, url, port, stdio = "inherit", onSpawn = () => {}) {
  const server = spawn(process.execPath, [...ROOM, join(root, "dist/server/start.mjs")], {
    cwd: root,
    stdio: ["ignore", stdio === "inherit" ? "ignore" : stdio, "inherit"],
    detached: true,
    env: { ...process.env, HOST: "127.0.0.1", PORT: String(port), SUMMANT_DATABASE_URL: url, NODE_ENV: "production" },
  });
  const end = () => server.kill("SIGTERM");
  process.once("exit", end);
  onSpawn(server.pid);
  const ended = new Promise((resolve) => server.once("exit", resolve));
  ended.then(() => process.off("exit", end));
  const address = `http://127.0.0.1:${port}`;
  const deadline = Date.now() + WAIT_MS;
  for (;;) {
    if (server.exitCode !== null)
      throw new SetupError(`The app ended at once (exit code ${server.exitCode}); what it printed is above.`);
    if (Date.now() > deadline) throw new SetupError("The app does not answer.");
    const up = await fetch(`${address}/api/health`).then(
      (response) => response.ok,
      () => false,
    );
    if (up) break;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return {
    address,
    pid: server.pid,
    ended,
    stop: async () => {
      server.kill("SIGTERM");
      await ended;
    },
  };
}
