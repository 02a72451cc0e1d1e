// A front's program: it answers shops, and passes the rest on to the desk. See `server/processes/fronts.ts`.
import { createServer } from "node:http";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import sirv from "sirv";
import { databaseUrl, openPool } from "./database/pool.ts";
import { frontOf, namesIn } from "./http/front.ts";
import { passingOn } from "./http/pass-on.ts";
import { keeperOf } from "./processes/keeper.ts";
import { forget, forgetEverywhere, openShop, readAhead, type Shop } from "./shop/shop.ts";

/** A whole request has to have come within this many milliseconds; its headers within the other. */
const WHOLE = 60_000;
const HEADERS = 10_000;

const [, , desk, folder] = process.argv;
if (!desk || !folder) throw new Error("usage: front SOCKET-OF-THE-DESK FOLDER");
const keeper = keeperOf((what) => forget(shop, what));
const shop: Shop = openShop(openPool(databaseUrl()), keeper.tellOthers);
const passOn = passingOn(desk, () => forgetEverywhere(shop, "everything"));
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
    desk: () => passOn(request, response),
    file: () =>
      files(request, response, () => {
        // Under no other address: what it asked for is answered by nobody.
        request.url = "/404";
        passOn(request, response);
      }),
  }),
);

// Those who are there already answer until it knows what to say.
await readAhead(shop);
// Connections are handed to it; but it cuts off who is slow only once it listens somewhere itself.
server.listen(join(folder, `front-${process.pid}.sock`), () => keeper.ready(server));
