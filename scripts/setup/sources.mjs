import { createHash } from "node:crypto";
import { readdirSync, readFileSync, statSync } from "node:fs";
import { dirname, join, relative } from "node:path";

/** What is made from sources, and is none. */
const MADE = new Set(["validators.js", "leaf-validators.js"]);

/** What only tests use is in folders of this name. */
const OF_TESTS = "tests";

function* filesUnder(path) {
  const entries = readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1));
  for (const entry of entries) {
    const inside = join(path, entry.name);
    if (entry.isDirectory()) {
      if (entry.name !== OF_TESTS) yield* filesUnder(inside);
    } else if (!/[.]test[.]tsx?$/.test(entry.name) && !MADE.has(entry.name)) yield inside;
  }
}

function* filesOf(root, sources) {
  for (const source of sources) {
    const path = join(root, source);
    if (statSync(path).isDirectory()) yield* filesUnder(path);
    else yield path;
  }
}

/** The same text as long as files and folders hold the same, tests apart. @param sources from the root */
export function fingerprint(root, sources) {
  const hash = createHash("sha256");
  for (const file of filesOf(root, sources)) hash.update(relative(root, file)).update(readFileSync(file));
  return hash.digest("hex");
}

/**
 * When the newest of the files or folders was written (a folder is, when something in it comes or goes), in milliseconds. Much
 * quicker than a fingerprint, and right on one machine.
 */
export function newest(root, sources) {
  let last = 0;
  const look = (path) => {
    last = Math.max(last, statSync(path).mtimeMs);
  };
  for (const source of sources) {
    const path = join(root, source);
    look(path);
    for (const file of filesOf(root, [source])) {
      look(file);
      // The folder of a source that is a single file says nothing: whatever is written beside it changes it.
      if (file !== path) look(dirname(file));
    }
  }
  return last;
}
