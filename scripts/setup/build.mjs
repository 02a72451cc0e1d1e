import { execFile } from "node:child_process";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { promisify } from "node:util";
import { SetupError, say } from "./say.mjs";
import { fingerprint } from "./sources.mjs";
import { needValidators } from "./validators.mjs";

/** Bytes that the build may print. */
const MOST_PRINTED = 64 * 1024 * 1024;

const BUILT = ["dist/client", "dist/server"];
const SOURCES = [
  ...["core", "server", "web", "astro.config.mjs", "package-lock.json"],
  ...["scripts/setup/server-programs.mjs", "scripts/setup/worker-chunks.mjs"],
];

/** Builds the app unless the build at hand was made from exactly these sources. */
export async function needBuild(root) {
  const mark = join(root, "dist", ".built-from");
  needValidators(root);
  const wanted = fingerprint(root, SOURCES);
  const known = existsSync(mark) ? readFileSync(mark, "utf8") : "";
  const now = () => `${wanted} ${fingerprint(root, BUILT)}`;
  if (known.startsWith(wanted)) {
    if (BUILT.every((folder) => existsSync(join(root, folder))) && known === now()) return;
    say("What was built is damaged; it is built again");
  } else say("Building the app");
  await promisify(execFile)(process.execPath, [join(root, "node_modules/astro/astro.js"), "build"], {
    cwd: root,
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: "1", NODE_ENV: "production" },
    maxBuffer: MOST_PRINTED,
  }).catch(({ stdout, stderr }) => {
    throw new SetupError(`The build failed.\n${stdout}\n${stderr}`);
  });
  writeFileSync(mark, now());
}
