import type { IncomingMessage, ServerResponse } from "node:http";
import { sharedPool } from "../database/pool.ts";
import { forget, openShop } from "../shop/shop.ts";
import { frontOf, namesIn } from "./front.ts";

const shop = openShop(sharedPool());
const front = frontOf(shop, { hosts: namesIn(process.env.SUMMANT_HOSTS), proxies: [] });

/** The front for `npm run dev`, where all is one process; what the framework writes is looked for at each request. */
export const developing = (request: IncomingMessage, response: ServerResponse, passOn: () => void): void => {
  forget(shop, "everything");
  front(request, response, { file: passOn, desk: passOn });
};
