import type { APIRoute } from "astro";
import type { CheckedProduct } from "../../../../core/checks/check.ts";
import { allProducts } from "../../../../server/catalogue/catalogue.ts";
import { checkedProduct } from "../../../../server/catalogue/checked-products.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { goalReach } from "../../../../server/evidence/goal-reach.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { handle } from "../../../../server/http/handle.ts";
import { usesOf } from "../../../../server/redemptions/ledger.ts";
import { savedAddresses } from "../../../../server/saved/addresses.ts";

/**
 * What the checks have to know besides the plan: products, how often offers have been used, the addresses that
 * standpoints and samples are kept with, and how past orders could get to goals.
 */
export const GET: APIRoute = () =>
  handle(async () => {
    const products: CheckedProduct[] = [];
    for await (const part of allProducts(sharedPool())) products.push(...part.map(checkedProduct));
    return jsonAnswer({
      products,
      uses: await usesOf(sharedPool()),
      addresses: await savedAddresses(sharedPool()),
      reach: await goalReach(sharedPool()),
    });
  });
