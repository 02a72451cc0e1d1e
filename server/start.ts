// The app's program: the front that answers shops, and behind it the desk. Its settings: SUMMANT_DATABASE_URL, HOST, PORT, and with
// commas between them SUMMANT_HOSTS, names that it may be reached by, and SUMMANT_PROXIES, addresses of what stands in front of it.
import { createServer } from "node:http";
import { fileURLToPath } from "node:url";
import sirv from "sirv";
import { databaseUrl, openPool } from "./database/pool.ts";
import { keepHouse } from "./housekeeping.ts";
import { openDesk } from "./http/desk.ts";
import { frontOf, namesIn } from "./http/front.ts";
import { forgetAll, openShop } from "./shop/shop.ts";

/** A whole request has to have come within this many milliseconds; its headers within the other. */
const WHOLE = 60_000;
const HEADERS = 10_000;

const pool = openPool(databaseUrl());
const shop = openShop(pool);
keepHouse(pool);
const desk = openDesk(
  fileURLToPath(new URL("./desk.mjs", import.meta.url)),
  () => forgetAll(shop),
  () => {
    console.error("The desk cannot be kept running; see above.");
    process.exit(1);
  },
);
const files = sirv(fileURLToPath(new URL("../client/", import.meta.url)), {
  // As the build has put them beside each.
  brotli: true,
  gzip: true,
  setHeaders: (response, path) => {
    // Named by what is in them.
    if (path.startsWith("/_astro/")) response.setHeader("cache-control", "public, max-age=31536000, immutable");
  },
});
const front = frontOf(shop, {
  hosts: namesIn(process.env.SUMMANT_HOSTS),
  proxies: namesIn(process.env.SUMMANT_PROXIES),
});
const server = createServer({ requestTimeout: WHOLE, headersTimeout: HEADERS }, (request, response) =>
  front(request, response, {
    desk: () => desk.passOn(request, response),
    file: () =>
      files(request, response, () => {
        // Under no other address: what it asked for is answered by nobody.
        request.url = "/404";
        desk.passOn(request, response);
      }),
  }),
);

const stop = () => {
  desk.close();
  process.exit(0);
};
process.once("SIGTERM", stop);
process.once("SIGINT", stop);
process.once("exit", () => desk.close());
server.listen(Number(process.env.PORT ?? 4173), process.env.HOST ?? "127.0.0.1");
