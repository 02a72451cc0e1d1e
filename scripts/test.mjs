// npm test: sets up whatever is missing, then runs every check and test. Ends with one line that counts them.
import { spawn } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { prepareDatabase } from "./setup/app-server.mjs";
import { needBuild } from "./setup/build.mjs";
import { CHECKS } from "./setup/checks.mjs";
import { needCommandLine } from "./setup/command-line.mjs";
import { startDatabase } from "./setup/database.mjs";
import { CHROMIUM, MARIADB, needDebianPackages } from "./setup/debian-packages.mjs";
import { withApp } from "./setup/journeys.mjs";
import { needNodePackages } from "./setup/node-packages.mjs";
import { SetupError, say } from "./setup/say.mjs";

const root = fileURLToPath(new URL("../", import.meta.url));
const counts = { passed: 0, failed: 0 };
const begun = Date.now();
const seconds = () => `${Math.round((Date.now() - begun) / 1000)} s`;

/** Runs a module of a package; what it printed is told when it is done, so that two at once do not mix. */
function run(module, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [join(root, module), ...args], {
      cwd: root,
      stdio: ["ignore", "pipe", "pipe"],
      env: { ...process.env, ASTRO_TELEMETRY_DISABLED: "1", ...env },
    });
    const printed = [];
    child.stdout.on("data", (part) => printed.push(part));
    child.stderr.on("data", (part) => printed.push(part));
    child.once("close", (code) => {
      process.stdout.write(Buffer.concat(printed));
      resolve(code === 0);
    });
  });
}

function count(name, passed) {
  counts[passed ? "passed" : "failed"] += 1;
  say(`${passed ? "ok    " : "FAILED"} ${name} (at ${seconds()})`);
}

/** Adds a runner's own counts; a runner that failed without saying which test did counts as one failure. */
function countTests(name, succeeded, read) {
  let found = { passed: 0, failed: 0 };
  try {
    found = read();
  } catch (error) {
    say(`${name}: no result to read (${error.message})`);
  }
  if (found.passed + found.failed === 0 || (!succeeded && found.failed === 0)) found.failed += 1;
  counts.passed += found.passed;
  counts.failed += found.failed;
  const line = `${name}: ${found.passed} passed, ${found.failed} failed (at ${seconds()})`;
  say(`${found.failed === 0 ? "ok    " : "FAILED"} ${line}`);
}

const readJson = (file) => JSON.parse(readFileSync(file, "utf8"));

async function vitest(name, folder, args, env = {}) {
  const file = join(folder, `${name.replaceAll(/\W+/g, "-")}.json`);
  const all = ["run", ...args, "--reporter=default", "--reporter=json", `--outputFile.json=${file}`];
  const succeeded = await run("node_modules/vitest/vitest.mjs", all, env);
  countTests(name, succeeded, () => {
    const { numPassedTests, numFailedTests } = readJson(file);
    return { passed: numPassedTests, failed: numFailedTests };
  });
}

/** What needs a database: tests that share one, one file after the other, then kills and restarts with one of their own. */
async function databaseTests(folder) {
  const database = await startDatabase(join(folder, "mariadb"));
  try {
    prepareDatabase(root, database.url);
    const env = { SUMMANT_DATABASE_URL: database.url };
    await vitest("database tests", folder, ["server", "scripts", "--no-file-parallelism"], env);
  } finally {
    await database.stop();
  }
  count("killed and started again", await run("scripts/kill-rounds.mjs", ["3"]));
  count("attacked over HTTP", await run("e2e/attack.mjs", ["short"]));
}

/** One part of the journeys, with an app and a database of its own. */
function journeys(folder, part, parts) {
  return withApp(root, join(folder, `mariadb-${part}`), async (env) => {
    const file = join(folder, `playwright-${part}.json`);
    const args = [`--shard=${part}/${parts}`, `--output=${join(folder, `results-${part}`)}`, "--reporter=list,json"];
    const succeeded = await run("node_modules/@playwright/test/cli.js", ["test", ...args], {
      ...env,
      PLAYWRIGHT_JSON_OUTPUT_NAME: file,
    });
    countTests(`journeys, part ${part} of ${parts}`, succeeded, () => {
      const { expected, unexpected, flaky } = readJson(file).stats;
      return { passed: expected, failed: unexpected + flaky };
    });
  });
}

/** Parts of the unit tests: one beside the build, one beside the database tests. Each transforms most modules for itself. */
const PARTS = [1, 2];

/** Everything there is to do: what waits for the build not at once, and what is long before what is short. */
function jobs(folder) {
  const [first, second] = PARTS.map((part) => () => {
    const args = ["core", "cli", "web", `--shard=${part}/${PARTS.length}`, "--maxWorkers=1"];
    return vitest(`unit tests, part ${part} of ${PARTS.length}`, folder, args);
  });
  let built;
  const build = async () => {
    built = needBuild(root);
    await built;
    say(`ok     the app is built (at ${seconds()})`);
  };
  const afterBuild = (job) => async () => {
    await built;
    await job();
  };
  return [
    build,
    first,
    afterBuild(() => databaseTests(folder)),
    second,
    afterBuild(() => journeys(folder, 1, 2)),
    afterBuild(() => journeys(folder, 2, 2)),
    ...CHECKS.map(
      ({ name, module, args }) =>
        async () =>
          count(name, await run(join("node_modules", module), args)),
    ),
  ];
}

/** Two at a time: that is how many cores the smallest machine has. What cannot go on ends it all. */
async function twoAtATime(open) {
  const lane = async () => {
    for (let job = open.shift(); job; job = open.shift()) await job();
  };
  const lanes = [lane(), lane()];
  await Promise.all(lanes).finally(() => {
    open.length = 0;
    return Promise.allSettled(lanes);
  });
}

async function main() {
  needDebianPackages([...MARIADB, ...CHROMIUM]);
  needNodePackages(root);
  await needCommandLine(root);
  mkdirSync(join(root, ".data"), { recursive: true });
  const folder = mkdtempSync(join(root, ".data", "test-"));
  try {
    await twoAtATime(jobs(folder));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

main()
  .catch((error) => {
    counts.failed += 1;
    say(error instanceof SetupError ? error.message : String(error?.stack ?? error));
  })
  .finally(() => {
    say(`\n${counts.passed} passed, ${counts.failed} failed`);
    process.exitCode = counts.failed === 0 ? 0 : 1;
  });
