import { sharedPool } from "../database/pool.ts";
import { forgetAll, openShop } from "../shop/shop.ts";
import { type Front, frontOf, namesIn } from "./front.ts";

const shop = openShop(sharedPool());
const front = frontOf(shop, namesIn(process.env.SUMMANT_HOSTS));

/** The front for `npm run dev`, where all is one process; what the framework writes is looked for at each request. */
export const developing: Front = (request, response, passOn) => {
  forgetAll(shop);
  front(request, response, passOn);
};
