// The app's program: it keeps the fronts running that answer shops, and behind them the desk. Its settings: SUMMANT_DATABASE_URL, HOST,
// PORT, SUMMANT_FRONTS, how many fronts there are, and with commas between them SUMMANT_HOSTS, names that it may be reached by, and
// SUMMANT_PROXIES, addresses of what stands in front of it.
import { fileURLToPath } from "node:url";
import { databaseUrl, openPool } from "./database/pool.ts";
import { keepHouse } from "./housekeeping.ts";
import { openDesk } from "./processes/desk.ts";
import { frontsWanted, openFronts } from "./processes/fronts.ts";

const programOf = (name: string) => fileURLToPath(new URL(`./${name}.mjs`, import.meta.url));
const givenUp = (what: string) => () => {
  console.error(`${what} cannot be kept running; see above.`);
  process.exit(1);
};

const count = frontsWanted(process.env.SUMMANT_FRONTS);
keepHouse(openPool(databaseUrl(), 2));
const desk = openDesk(programOf("desk"), givenUp("The desk"));
const fronts = openFronts(
  programOf("front"),
  [desk.socketPath, desk.folder],
  count,
  { host: process.env.HOST ?? "127.0.0.1", port: Number(process.env.PORT ?? 4173) },
  givenUp("The fronts"),
);

const stop = () => process.exit(0);
process.once("SIGTERM", stop);
process.once("SIGINT", stop);
process.once("exit", () => {
  fronts.close();
  desk.close();
});
