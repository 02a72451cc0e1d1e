// npm run test:later -- 400: npm test as it will be so many days from now, so that no test holds for this season only.
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { FAKETIME, needDebianPackages } from "./setup/debian-packages.mjs";
import { SetupError, say } from "./setup/say.mjs";

const root = fileURLToPath(new URL("../", import.meta.url));
const [days = "400"] = process.argv.slice(2);

/** @returns the exit code */
function testLater() {
  if (!/^\d{1,4}$/.test(days)) throw new SetupError(`"${days}" is no number of days from 0 to 9999.`);
  needDebianPackages(FAKETIME);
  const { status } = spawnSync("faketime", ["-f", `+${days}d`, process.execPath, join(root, "scripts/test.mjs")], {
    cwd: root,
    stdio: "inherit",
    // Files keep their own times: what is built goes by which is newer.
    env: { ...process.env, NO_FAKE_STAT: "1" },
  });
  return status ?? 1;
}

try {
  process.exitCode = testLater();
} catch (error) {
  if (!(error instanceof SetupError)) throw error;
  say(error.message);
  process.exitCode = 1;
}
