import { spawnSync } from "node:child_process";
import { appendFileSync, existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { SetupError } from "./say.mjs";
import { fingerprint } from "./sources.mjs";

const MADE = ["core/validation/validators.js", "server/validation/validators.js", "web/fields/leaf-validators.js"];

const SOURCES = ["core", "server", "scripts/validators.ts", "scripts/schema-leaves.ts", "package-lock.json"];

/** Makes code of the schemas unless the code at hand was made from exactly these sources. */
export function needValidators(root) {
  const mark = `// from ${fingerprint(root, SOURCES)}\n`;
  const files = MADE.map((file) => join(root, file));
  if (files.every((file) => existsSync(file) && readFileSync(file, "utf8").endsWith(mark))) return;
  const { status, stderr } = spawnSync(process.execPath, ["--import", "tsx", join(root, "scripts/validators.ts")], {
    cwd: root,
    encoding: "utf8",
  });
  if (status !== 0) throw new SetupError(`The schemas could not be made into code.\n${stderr}`);
  for (const file of files) appendFileSync(file, mark);
}
