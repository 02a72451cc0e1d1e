import { execFileSync } from "node:child_process";
import { copyFileSync, mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";

/** The last commit before quotes were made quicker: what they are measured against. */
const BEFORE = "b5c22c6";

/**
 * Puts the core of that commit into a folder within the project, so that its packages are found.
 *
 * @returns a module that exports its `compile` and `quote`; null where the history does not reach back so far
 */
export function coreBefore(root: string, folder: string): string | null {
  mkdirSync(folder, { recursive: true });
  try {
    const archive = execFileSync("git", ["archive", BEFORE, "core", "tsconfig.base.json"], {
      cwd: root,
      maxBuffer: 2 ** 28,
      stdio: ["ignore", "pipe", "ignore"],
    });
    execFileSync("tar", ["-x", "-C", folder], { input: archive });
  } catch {
    return null;
  }
  copyFileSync(join(root, "core/validation/validators.js"), join(folder, "core/validation/validators.js"));
  const measured = join(folder, "core", "measured.ts");
  writeFileSync(
    measured,
    'export { quote } from "./quote/quote.ts";\nexport { compile } from "./tariff/compile.ts";\n',
  );
  return measured;
}
