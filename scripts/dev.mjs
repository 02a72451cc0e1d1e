// npm run dev: the app from its sources, on a database of its own with the demo; a change is seen at once. Ctrl+C stops both.
import { spawn } from "node:child_process";
import { watch } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { prepareDatabase } from "./setup/app-server.mjs";
import { freePort, startDatabase } from "./setup/database.mjs";
import { MARIADB, needDebianPackages } from "./setup/debian-packages.mjs";
import { needNodePackages } from "./setup/node-packages.mjs";
import { SetupError, say } from "./setup/say.mjs";
import { needValidators } from "./setup/validators.mjs";

const root = fileURLToPath(new URL("../", import.meta.url));
const USUAL_PORT = 4174;
/** Editors write a file in several goes. */
const PAUSE_MS = 300;

/** Makes the schemas into code again when something they may be made of has changed. */
function keepValidatorsFresh() {
  let waiting;
  const again = () => {
    clearTimeout(waiting);
    waiting = setTimeout(() => {
      try {
        needValidators(root);
      } catch (error) {
        say(error.message);
      }
    }, PAUSE_MS);
  };
  for (const folder of ["core", "server"])
    watch(join(root, folder), { recursive: true }, (_, file) => file?.endsWith("validators.js") || again());
}

async function main() {
  needDebianPackages(MARIADB);
  needNodePackages(root);
  needValidators(root);
  const database = await startDatabase(join(root, ".data", "dev-mariadb"));
  const link = prepareDatabase(root, database.url, { history: true, fromSources: true });
  keepValidatorsFresh();
  const port = await freePort(USUAL_PORT).catch(() => freePort());
  const app = spawn(
    process.execPath,
    [join(root, "node_modules/astro/astro.js"), "dev", "--host", "127.0.0.1", "--port", String(port)],
    {
      cwd: root,
      stdio: "inherit",
      env: {
        ...process.env,
        ASTRO_TELEMETRY_DISABLED: "1",
        ASTRO_DISABLE_UPDATE_CHECK: "true",
        SUMMANT_DATABASE_URL: database.url,
      },
    },
  );
  if (link) say(`Sign in, once: http://127.0.0.1:${port}/sign-in#${link}`);
  const stop = () => app.kill("SIGTERM");
  process.on("SIGINT", stop);
  process.on("SIGTERM", stop);
  app.once("exit", async (code) => {
    await database.stop();
    process.exit(code ?? 0);
  });
}

main().catch((error) => {
  say(error instanceof SetupError ? error.message : String(error?.stack ?? error));
  process.exit(1);
});
