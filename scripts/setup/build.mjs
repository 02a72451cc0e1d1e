import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { SetupError, say } from "./say.mjs";

const SOURCES = ["core", "server", "web", "astro.config.mjs", "package-lock.json"];

function* filesUnder(path) {
  const entries = readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1));
  for (const entry of entries) {
    const inside = join(path, entry.name);
    if (entry.isDirectory()) yield* filesUnder(inside);
    else if (!entry.name.endsWith(".test.ts")) yield inside;
  }
}

function fingerprint(root) {
  const hash = createHash("sha256");
  for (const source of SOURCES) {
    const path = join(root, source);
    const files = source.includes(".") ? [path] : [...filesUnder(path)];
    for (const file of files) hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest("hex");
}

/** Builds the app unless the build at hand was made from exactly these sources. */
export function needBuild(root) {
  const mark = join(root, "dist", ".built-from");
  const wanted = fingerprint(root);
  if (existsSync(mark) && readFileSync(mark, "utf8") === wanted) return;
  say("Building the app");
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(root, "node_modules/astro/astro.js"), "build"], {
    cwd: root,
    encoding: "utf8",
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: "1", NODE_ENV: "production" },
  });
  if (status !== 0) throw new SetupError(`The build failed.\n${stdout}\n${stderr}`);
  writeFileSync(mark, wanted);
}
