import { existsSync, statSync } from "node:fs";
import { join } from "node:path";
import { newest } from "./sources.mjs";
import { needValidators } from "./validators.mjs";

const SOURCES = ["core", "server", "cli", "package-lock.json"];

/** The command line bundled into one file, made again when a source is newer than it. @returns its path */
export async function needCommandLine(root) {
  const made = join(root, "dist-cli", "main.js");
  if (existsSync(made) && statSync(made).mtimeMs > newest(root, SOURCES)) return made;
  needValidators(root);
  const { build } = await import("vite");
  const { NODE_ENV } = process.env;
  await build({
    root,
    configFile: false,
    logLevel: "error",
    build: { ssr: "cli/main.ts", outDir: "dist-cli", target: "node20", sourcemap: true, minify: false },
    // Public holidays are a large table, which most plans need none of: it is read when a plan asks for it. What is no plain script
    // stays where it is.
    ssr: { noExternal: true, external: ["date-holidays", "mysql2", "@node-rs/argon2"] },
  });
  // The build leaves it at "production", which is not for those who come after it here.
  if (NODE_ENV === undefined) delete process.env.NODE_ENV;
  else process.env.NODE_ENV = NODE_ENV;
  return made;
}
