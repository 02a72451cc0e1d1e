// npm run test:settings: types rubbish into every field, then changes every setting on screen, control by control, and prints the
// leaves of the plan's schema that no control shows. It takes a quarter of an hour.
import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { needBuild } from "./setup/build.mjs";
import { CHROMIUM, MARIADB, needDebianPackages } from "./setup/debian-packages.mjs";
import { withApp } from "./setup/journeys.mjs";
import { needNodePackages } from "./setup/node-packages.mjs";

const root = fileURLToPath(new URL("../", import.meta.url));
needDebianPackages([...MARIADB, ...CHROMIUM]);
needNodePackages(root);
await needBuild(root);
mkdirSync(join(root, ".data"), { recursive: true });
const folder = mkdtempSync(join(root, ".data", "settings-"));
try {
  process.exitCode = await withApp(root, folder, (env) => {
    const playwright = join(root, "node_modules/@playwright/test/cli.js");
    const { status } = spawnSync(process.execPath, [playwright, "test", "\\.long\\."], {
      cwd: root,
      stdio: "inherit",
      env: { ...process.env, ...env, SUMMANT_LONG: "1" },
    });
    return status ?? 1;
  });
} finally {
  rmSync(folder, { recursive: true, force: true });
}
