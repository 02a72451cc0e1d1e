import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { delimiter, join } from "node:path";
import { SetupError, say } from "./say.mjs";

/** Programs and the Debian package each comes from. */
export const MARIADB = [
  { program: "mariadbd", package: "mariadb-server-core" },
  { program: "mariadb-install-db", package: "mariadb-server-core" },
  { program: "my_print_defaults", package: "mariadb-client-core" },
];
export const CHROMIUM = [{ program: "chromium-headless-shell", package: "chromium-headless-shell" }];
export const FAKETIME = [{ program: "faketime", package: "faketime" }];

const installed = (program) =>
  [...(process.env.PATH ?? "").split(delimiter), "/usr/sbin", "/usr/bin"].some((folder) =>
    existsSync(join(folder, program)),
  );

/** Installs what is missing when run as root with apt at hand; else stops with the line to run. */
export function needDebianPackages(programs) {
  const missing = [...new Set(programs.filter(({ program }) => !installed(program)).map((entry) => entry.package))];
  if (missing.length === 0) return;
  const line = `apt-get update && apt-get install -y --no-install-recommends ${missing.join(" ")}`;
  if (process.getuid?.() !== 0 || !installed("apt-get")) {
    throw new SetupError(`Missing: ${missing.join(", ")}. As root, run:\n  ${line}`);
  }
  say(`Installing Debian packages: ${missing.join(", ")}`);
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  const { status } = spawnSync("sh", ["-c", `(${line}) >&2`], { stdio: ["ignore", "inherit", "inherit"], env });
  if (status !== 0) throw new SetupError(`Installing failed (${status}). Run it by hand to see why:\n  ${line}`);
}
