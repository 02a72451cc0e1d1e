import { execFile } from "node:child_process";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { promisify } from "node:util";
import { compressFiles } from "./compressed-files.mjs";
import { SetupError, say } from "./say.mjs";
import { fingerprint } from "./sources.mjs";
import { needValidators } from "./validators.mjs";

/** Bytes that the build may print. */
const MOST_PRINTED = 64 * 1024 * 1024;

const BUILT = ["dist/client", "dist/server"];
const SOURCES = [
  ...["core", "server", "web", "astro.config.mjs", "package-lock.json"],
  ...["scripts/setup/server-programs.mjs", "scripts/setup/worker-chunks.mjs", "scripts/setup/compressed-files.mjs"],
];

const markOf = (root) => join(root, "dist", ".built-from");
const nowOf = (root) => `${fingerprint(root, SOURCES)} ${fingerprint(root, BUILT)}`;

/** Whether the build at hand was made from exactly these sources, and is as it was made: "whole", "damaged" or "none". */
export function stateOfBuild(root) {
  const known = existsSync(markOf(root)) ? readFileSync(markOf(root), "utf8") : "";
  if (!known.startsWith(fingerprint(root, SOURCES))) return "none";
  return BUILT.every((folder) => existsSync(join(root, folder))) && known === nowOf(root) ? "whole" : "damaged";
}

export const markBuilt = (root) => writeFileSync(markOf(root), nowOf(root));

/** Builds the app unless it is built. */
export async function needBuild(root) {
  needValidators(root);
  const state = stateOfBuild(root);
  if (state === "whole") return;
  say(state === "damaged" ? "What was built is damaged; it is built again" : "Building the app");
  await promisify(execFile)(process.execPath, [join(root, "node_modules/astro/astro.js"), "build"], {
    cwd: root,
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: "1", NODE_ENV: "production" },
    maxBuffer: MOST_PRINTED,
  }).catch(({ stdout, stderr }) => {
    throw new SetupError(`The build failed.\n${stdout}\n${stderr}`);
  });
  await compressFiles(join(root, "dist", "client"));
  markBuilt(root);
}
