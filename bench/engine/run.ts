import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { build } from "vite";
import { coreBefore } from "./before.ts";

// The engine is measured as it ships: bundled, not as sources translated on the way. It stays inside the project so that
// the peers are found.
const root = fileURLToPath(new URL("../../", import.meta.url));
mkdirSync(join(root, ".data"), { recursive: true });
const out = mkdtempSync(join(root, ".data", "bench-"));

const bundled = (entry: string, outDir: string) =>
  build({
    root,
    configFile: false,
    logLevel: "error",
    build: { target: "node20", ssr: entry, outDir, emptyOutDir: true, minify: false },
  });

const before = coreBefore(root, join(out, "before"));
if (before) await bundled(before, join(out, "engine-before"));
const env = { ...process.env, ...(before ? { ENGINE_BEFORE: join(out, "engine-before", "measured.js") } : {}) };
/** To ask for the memory in use, and for the shape of an object. */
const FLAGS = ["--expose-gc", "--allow-natives-syntax"];
let failed = false;
for (const name of ["shapes", "measure", "worst"]) {
  await bundled(`bench/engine/${name}.ts`, join(out, name));
  const { status } = spawnSync(process.execPath, [...FLAGS, join(out, name, `${name}.js`)], {
    stdio: "inherit",
    env,
  });
  failed ||= status !== 0;
}
rmSync(out, { recursive: true });
if (failed) process.exit(1);
