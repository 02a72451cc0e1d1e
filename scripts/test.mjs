// npm test: sets up whatever is missing, then runs every check and test. Ends with one line that counts them.
import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { killRounds } from "./kill-rounds.mjs";
import { prepareDatabase, startApp } from "./setup/app-server.mjs";
import { needBuild } from "./setup/build.mjs";
import { freePort, startDatabase } from "./setup/database.mjs";
import { CHROMIUM, MARIADB, needDebianPackages } from "./setup/debian-packages.mjs";
import { needNodePackages } from "./setup/node-packages.mjs";
import { SetupError, say } from "./setup/say.mjs";

const root = fileURLToPath(new URL("../", import.meta.url));
const counts = { passed: 0, failed: 0 };

const CHECKS = [
  ["format and lint", "@biomejs/biome/bin/biome", ["check", "--error-on-warnings", "."]],
  ["types of core", "typescript/bin/tsc", ["-p", "core"]],
  ["types of core's tests", "typescript/bin/tsc", ["-p", "core/tsconfig.test.json"]],
  ["types of server, cli, scripts and tests", "typescript/bin/tsc", ["-p", "server"]],
  ["types of web", "typescript/bin/tsc", ["-p", "web"]],
  ["types of benches", "typescript/bin/tsc", ["-p", "bench"]],
  ["types of pages", "astro/astro.js", ["check", "--minimumFailingSeverity", "warning"]],
  [
    "imports go one way",
    "dependency-cruiser/bin/dependency-cruise.mjs",
    ["core", "server", "cli", "web", "scripts", "e2e", "bench"],
  ],
  ["nothing unused", "knip/bin/knip.js", []],
];

function run(module, args, env = {}) {
  const { status } = spawnSync(process.execPath, [join(root, "node_modules", module), ...args], {
    cwd: root,
    stdio: ["ignore", "inherit", "inherit"],
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: "1", ...env },
  });
  return status === 0;
}

function count(name, passed) {
  counts[passed ? "passed" : "failed"] += 1;
  say(`${passed ? "ok    " : "FAILED"} ${name}`);
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
  say(`${found.failed === 0 ? "ok    " : "FAILED"} ${name}: ${found.passed} passed, ${found.failed} failed`);
}

const readJson = (file) => JSON.parse(readFileSync(file, "utf8"));

async function main() {
  needDebianPackages([...MARIADB, ...CHROMIUM]);
  needNodePackages(root);
  needBuild(root);

  for (const [name, module, args] of CHECKS) count(name, run(module, args));

  mkdirSync(join(root, ".data"), { recursive: true });
  const throwaway = mkdtempSync(join(root, ".data", "test-"));
  let database;
  let app;
  try {
    database = await startDatabase(join(throwaway, "mariadb"));
    prepareDatabase(root, database.url, false);
    const env = { SUMMANT_DATABASE_URL: database.url };

    const unitTests = (name, args) => {
      const file = join(throwaway, `${name}.json`);
      const all = ["run", ...args, "--reporter=default", "--reporter=json", `--outputFile.json=${file}`];
      countTests(name, run("vitest/vitest.mjs", all, env), () => {
        const { numPassedTests, numFailedTests } = readJson(file);
        return { passed: numPassedTests, failed: numFailedTests };
      });
    };
    unitTests("unit tests", ["core", "cli", "web"]);
    // These share the one database, so one file runs after the other.
    unitTests("database tests", ["server", "scripts", "--no-file-parallelism"]);

    const rounds = await killRounds(root, join(throwaway, "kill"), 5);
    for (const line of rounds.lines) say(line);
    count("killed and started again", rounds.faults.length === 0);

    app = await startApp(root, database.url, await freePort());
    const journeys = join(throwaway, "playwright.json");
    const journeyEnv = { ...env, SUMMANT_URL: app.address, PLAYWRIGHT_JSON_OUTPUT_NAME: journeys };
    countTests("journeys", run("@playwright/test/cli.js", ["test", "--reporter=list,json"], journeyEnv), () => {
      const { expected, unexpected, flaky } = readJson(journeys).stats;
      return { passed: expected, failed: unexpected + flaky };
    });
  } finally {
    await app?.stop();
    await database?.stop();
    rmSync(throwaway, { recursive: true, force: true });
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
