// npm run test:answers: all drawn requests whose answers were kept, quotes and climbs, answered anew, thousands of climbs compared with
// quotes unit by unit, and as many random orders as the price of one option is compared on. It takes a quarter of an hour.
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { needNodePackages } from "./setup/node-packages.mjs";

const root = fileURLToPath(new URL("../", import.meta.url));
needNodePackages(root);
const vitest = join(root, "node_modules/vitest/vitest.mjs");
const { status } = spawnSync(
  process.execPath,
  [vitest, "run", "core/tests/drawn-answers.long.test.ts", "core/climb", "core/evidence"],
  {
    cwd: root,
    stdio: "inherit",
    env: { ...process.env, SUMMANT_ALL_ANSWERS: "1" },
  },
);
process.exitCode = status ?? 1;
