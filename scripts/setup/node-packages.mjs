import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { SetupError, say } from "./say.mjs";

/** Installs the packages of package-lock.json unless exactly those are installed already. */
export function needNodePackages(root) {
  const wanted = createHash("sha256")
    .update(readFileSync(join(root, "package-lock.json")))
    .digest("hex");
  const mark = join(root, "node_modules", ".installed-from");
  if (existsSync(mark) && readFileSync(mark, "utf8") === wanted) return;
  say("Installing npm packages (the first time takes minutes)");
  // Nothing here needs install scripts: binaries come as packages of their own.
  const { status } = spawnSync("npm", ["ci", "--ignore-scripts", "--no-audit", "--no-fund", "--loglevel=error"], {
    cwd: root,
    stdio: ["ignore", "inherit", "inherit"],
  });
  if (status !== 0) throw new SetupError("npm ci failed; see above.");
  writeFileSync(mark, wanted);
}
