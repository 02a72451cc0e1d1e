// npm run typecheck, npm run lint, npm run test:unit: one part of npm test, for while one works. Neither database nor browser.
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { LINT, TYPES } from "./setup/checks.mjs";
import { needCommandLine } from "./setup/command-line.mjs";
import { needNodePackages } from "./setup/node-packages.mjs";
import { say } from "./setup/say.mjs";
import { needValidators } from "./setup/validators.mjs";

const root = fileURLToPath(new URL("../", import.meta.url));
const UNIT = [
  {
    name: "unit tests, without the long ones",
    module: "vitest/vitest.mjs",
    args: ["run", "core", "cli", "web", "--exclude=**/*.long.test.ts", ...process.argv.slice(3)],
  },
];
const PARTS = { typecheck: TYPES, lint: LINT, unit: UNIT };

needNodePackages(root);
needValidators(root);
const [, , part] = process.argv;
if (part === "unit") await needCommandLine(root);
for (const { name, module, args } of PARTS[part] ?? []) {
  const { status } = spawnSync(process.execPath, [join(root, "node_modules", module), ...args], {
    cwd: root,
    stdio: "inherit",
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: "1" },
  });
  say(`${status === 0 ? "ok    " : "FAILED"} ${name}`);
  if (status !== 0) process.exitCode = 1;
}
