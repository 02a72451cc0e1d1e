import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { build } from "vite";

// The engine is measured as it ships: bundled, not as sources translated on the way. It stays inside the project so that
// the peers are found.
const root = fileURLToPath(new URL("../../", import.meta.url));
mkdirSync(join(root, ".data"), { recursive: true });
const out = mkdtempSync(join(root, ".data", "bench-"));
await build({
  root,
  configFile: false,
  logLevel: "error",
  build: { target: "node20", ssr: "bench/engine/measure.ts", outDir: out, emptyOutDir: true, minify: false },
});
const { status } = spawnSync(process.execPath, ["--expose-gc", join(out, "measure.js")], { stdio: "inherit" });
rmSync(out, { recursive: true });
if (status !== 0) process.exit(1);
