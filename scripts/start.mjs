// npm start: sets up whatever is missing, then runs the database and the app until Ctrl+C.
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { parseArgs } from "node:util";
import { prepareDatabase, startApp } from "./setup/app-server.mjs";
import { needBuild } from "./setup/build.mjs";
import { freePort, startDatabase } from "./setup/database.mjs";
import { MARIADB, needDebianPackages } from "./setup/debian-packages.mjs";
import { needNodePackages } from "./setup/node-packages.mjs";
import { takeFolder } from "./setup/one-start.mjs";
import { SetupError, say } from "./setup/say.mjs";

const root = fileURLToPath(new URL("../", import.meta.url));
const USUAL_PORT = 4173;

async function main() {
  const { port, resetDemo } = readOptions();
  const data = process.env.SUMMANT_DATA ?? join(root, ".data");
  const taken = await takeFolder(data);
  if (taken.running) {
    const { pid, address } = taken.running;
    say(
      `Summant runs already${address ? `: ${address}` : ", or is being started"} (process ${pid}). Ctrl+C there stops it.`,
    );
    return;
  }
  try {
    await run(port, resetDemo, data, taken);
  } finally {
    taken.release();
  }
}

async function run(port, resetDemo, data, taken) {
  const outside = process.env.SUMMANT_DATABASE_URL;
  // Before anything that takes long: whoever has to choose another need not wait to be told.
  if (port !== undefined) await choosePort(port);
  if (!outside) needDebianPackages(MARIADB);
  needNodePackages(root);
  await needBuild(root);

  let database;
  let app;
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    say("Stopping");
    await app?.stop();
    await database?.stop();
    taken.release();
    process.exit(process.exitCode ?? 0);
  };
  process.on("SIGINT", stop);
  process.on("SIGTERM", stop);

  try {
    const folder = join(data, "mariadb");
    database = outside ? undefined : await startDatabase(folder);
    say(
      database
        ? `MariaDB runs on 127.0.0.1:${database.port}, data in ${folder}`
        : "Using the database of SUMMANT_DATABASE_URL",
    );
    const url = outside ?? database.url;
    const link = prepareDatabase(root, url, { resetDemo, history: true });
    app = await startApp(root, url, await choosePort(port), "inherit", (pid) => taken.runs(pid));
    taken.runs(app.pid, { address: app.address, database: url });
    const wayIn = link
      ? `Sign in, once: ${app.address}/sign-in#${link}`
      : "Sign in by your name and password; where they are lost: bin/summant person NAME";
    say(`\nSummant: ${app.address}\n${wayIn}\n\nCtrl+C stops it.`);
    for (;;) {
      const ended = await Promise.race([
        app.ended.then(() => "the app"),
        ...(database ? [database.ended.then(() => "MariaDB")] : []),
      ]);
      // Whoever stops it waits for both and ends the process.
      if (stopping) await new Promise(() => {});
      if (ended === "the app") throw new SetupError("The app ended by itself; see above.");
      say("MariaDB ended by itself; it is started again.");
      database = await startDatabase(folder, database.port);
      say("MariaDB runs again.");
    }
  } catch (error) {
    if (!stopping) {
      process.exitCode = 1;
      say(error instanceof SetupError ? error.message : String(error?.stack ?? error));
      await stop();
    }
  }
}

function readOptions() {
  try {
    const { values } = parseArgs({ options: { port: { type: "string" }, "reset-demo": { type: "boolean" } } });
    const port = values.port === undefined ? undefined : Number(values.port);
    if (port !== undefined && !(Number.isInteger(port) && port >= 1 && port <= 65_535)) {
      throw new SetupError(`--port ${values.port} is not a port`);
    }
    return { port, resetDemo: values["reset-demo"] ?? false };
  } catch (error) {
    throw new SetupError(`${error.message}\nusage: npm start -- [--port N] [--reset-demo]`);
  }
}

/** The port asked for, which has to be free; else the usual one, or any when that is taken. */
async function choosePort(asked) {
  if (asked === undefined) return freePort(USUAL_PORT).catch(() => freePort());
  return freePort(asked).catch(() => {
    throw new SetupError(`Port ${asked} is taken; choose another with --port.`);
  });
}

main().catch((error) => {
  say(error instanceof SetupError ? error.message : String(error?.stack ?? error));
  process.exitCode = 1;
});
